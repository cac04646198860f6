#include "app/dialogs.h"

#include "app/views/length_field.h"

#include <QDialogButtonBox>
#include <QDoubleSpinBox>
#include <QFormLayout>
#include <QLabel>
#include <QPlainTextEdit>
#include <QScrollArea>
#include <QTimeEdit>
#include <QVBoxLayout>

namespace vl::app {

PieceDialog::PieceDialog(Document& document, QWidget* parent) : QDialog(parent)
{
    setWindowTitle(tr("Name and notes"));
    auto* form = new QFormLayout(this);
    auto* name = new QLineEdit(QString::fromStdString(document.piece().name));
    name->setMaxLength(60);
    name->setAccessibleName(tr("Name of the piece"));
    auto* notes = new QPlainTextEdit(QString::fromStdString(document.piece().notes));
    notes->setAccessibleName(tr("Notes"));
    notes->setTabChangesFocus(true);
    form->addRow(tr("Name"), name);
    form->addRow(tr("Notes"), notes);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
    form->addRow(buttons);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(buttons, &QDialogButtonBox::accepted, this, [this, &document, name, notes] {
        Piece next = document.piece();
        next.name = name->text().toStdString();
        next.notes = notes->toPlainText().toStdString();
        if (document.apply(tr("name and notes"), next)) accept();
    });
    resize(480, 320);
}

ShopDialog::ShopDialog(Document& document, QWidget* parent) : QDialog(parent), doc_(document)
{
    setWindowTitle(tr("The shop"));
    auto* outer = new QVBoxLayout(this);
    auto* scroll = new QScrollArea;
    scroll->setWidgetResizable(true);
    scroll->setFrameShape(QFrame::NoFrame);
    auto* inner = new QWidget;
    form_ = new QFormLayout(inner);
    scroll->setWidget(inner);
    outer->addWidget(scroll);
    resize(520, 680);
    auto heading = [this](const QString& words) {
        auto* label = new QLabel(words);
        label->setProperty("role", "heading");
        form_->addRow(label);
    };
    heading(tr("MACHINES"));
    addLength(tr("Kerf of the saw"), &Shop::kerf, limits::kerf);
    addLength(tr("Lathe, centre to bed"), &Shop::swingRadius, limits::swing);
    addLength(tr("Lathe, between centres"), &Shop::betweenCentres, limits::swing);
    addNumber(tr("Lowest speed, rpm"), &Shop::lowestRpm, limits::rpm, 0);
    addNumber(tr("Highest speed, rpm"), &Shop::highestRpm, limits::rpm, 0);
    heading(tr("GLUE"));
    addNumber(tr("Temperature where it sets, °C"), &Shop::temperature, limits::celsius, 0);
    addNumber(tr("Band clamps"), &Shop::bandClamps, limits::clampCount, 0);
    addNumber(tr("Other clamps, joints at once"), &Shop::clamps, limits::clampCount, 0);
    addNumber(tr("A coat of finish dries, minutes"), &Shop::finishMinutes, limits::minutes, 0);
    heading(tr("HOURS IN THE SHOP, THE SAME TWICE: CLOSED"));
    addHours();
    heading(tr("HOLLOWING TOOLS"));
    addLength(tr("Shank"), &Shop::toolShank, limits::shank);
    addLength(tr("Reach beyond the rest"), &Shop::toolReach, limits::swing);
    addNumber(tr("Off the axis through a mouth, degrees"), &Shop::toolAngle, limits::toolAngle, 0);
    heading(tr("ROOMS THE PIECE WILL LIVE IN, AT 20 °C"));
    addNumber(tr("Driest, % humidity"), &Shop::dryHumidity, limits::humidity, 0);
    addNumber(tr("Dampest, % humidity"), &Shop::dampHumidity, limits::humidity, 0);
    heading(tr("A CAUTION WHERE"));
    addLength(tr("a segment's edge is shorter than"), &Shop::leastEdge, limits::leastEdge);
    addLength(tr("layers overlap by less than"), &Shop::leastOverlap, limits::overlap);
    addLength(tr("a joint moves between seasons by more than"), &Shop::mostMovement, limits::movement);
    addNumber(tr("the piece tips sooner than, degrees"), &Shop::leastTip, limits::tip, 1);
    refused_ = new QLabel;
    refused_->setProperty("role", "warn");
    refused_->setWordWrap(true);
    outer->addWidget(refused_);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Close);
    outer->addWidget(buttons);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::accept);
    connect(&doc_, &Document::refused, refused_, &QLabel::setText);
}

void ShopDialog::addHours()
{
    const QString days[] = {tr("Monday"), tr("Tuesday"), tr("Wednesday"), tr("Thursday"), tr("Friday"), tr("Saturday"), tr("Sunday")};
    for (size_t d = 0; d < 7; ++d) {
        auto* line = new QHBoxLayout;
        for (size_t k = 0; k < 2; ++k) {
            auto* field = new QTimeEdit(QTime::fromMSecsSinceStartOfDay(std::min(static_cast<int>(doc_.shop().hours[d][k]) * 60000, 86399999)));
            field->setDisplayFormat("hh:mm");
            field->setKeyboardTracking(false);
            field->setAccessibleName(days[d] + (k ? tr(", until") : tr(", from")));
            line->addWidget(field);
            connect(field, &QTimeEdit::timeChanged, this, [this, d, k](QTime t) {
                refused_->clear();
                Shop shop = doc_.shop();
                // The last minute of the day stands for midnight.
                shop.hours[d][k] = t == QTime(23, 59) ? 1440 : t.msecsSinceStartOfDay() / 60000;
                doc_.setShop(shop);
            });
        }
        form_->addRow(days[d], line);
    }
}

void ShopDialog::set(double Shop::*member, double value)
{
    refused_->clear();
    Shop shop = doc_.shop();
    shop.*member = value;
    doc_.setShop(shop);
}

void ShopDialog::addLength(const QString& name, double Shop::*member, const Limit& limit)
{
    auto* field = new LengthField(doc_, name, limit);
    field->setValue(doc_.shop().*member);
    form_->addRow(name, field);
    connect(field, &LengthField::edited, this, [this, member](double mm) { set(member, mm); });
}

void ShopDialog::addNumber(const QString& name, double Shop::*member, const Limit& limit, int decimals)
{
    auto* field = new QDoubleSpinBox;
    field->setAccessibleName(name);
    field->setRange(limit.low, limit.high);
    field->setDecimals(decimals);
    field->setValue(doc_.shop().*member);
    field->setKeyboardTracking(false);
    form_->addRow(name, field);
    connect(field, &QDoubleSpinBox::valueChanged, this, [this, member](double value) { set(member, value); });
}

}  // namespace vl::app
