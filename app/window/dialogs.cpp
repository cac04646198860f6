#include "app/window/dialogs.h"

#include "app/fields/field_form.h"
#include "app/fields/length_field.h"

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
        const auto say = [&](Piece& p) {
            p.name = name->text().toStdString();
            p.notes = notes->toPlainText().toStdString();
        };
        if (document.apply(tr("name and notes"), say)) accept();
    });
    resize(480, 320);
}

ShopDialog::ShopDialog(Document& document, const QString& lent, QWidget* parent) : QDialog(parent), doc_(document)
{
    setWindowTitle(tr("The shop"));
    auto* outer = new QVBoxLayout(this);
    if (!lent.isEmpty()) {
        auto* words = new QLabel(lent);
        words->setWordWrap(true);
        words->setProperty("role", "warn");
        outer->addWidget(words);
    }
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
    add(&Shop::kerf);
    add(&Lathe::swingRadius);
    add(&Lathe::betweenCenters);
    add(&Lathe::lowestRpm);
    add(&Lathe::highestRpm);
    add(&Shop::leastHold);
    add(&Shop::ripLeastWidth);
    add(&Shop::planeLeastThickness);
    add(&Shop::bandsawTilt);
    add(&Shop::bandsawRadius);
    add(&Shop::partingReach);
    heading(tr("GLUE"));
    add(&Shop::temperature);
    add(&Shop::bandClamps);
    add(&Shop::clamps);
    add(&Shop::finishMinutes);
    heading(tr("HOURS IN THE SHOP, THE SAME TWICE: CLOSED"));
    addHours();
    heading(tr("HOLLOWING TOOLS"));
    add(&Shop::toolShank);
    add(&Shop::toolReach);
    add(&Shop::toolAngle);
    heading(tr("ROOMS THE PIECE WILL LIVE IN, AT 20 °C"));
    add(&Shop::dryHumidity);
    add(&Shop::dampHumidity);
    heading(tr("A CAUTION WHERE"));
    add(&Shop::leastEdge);
    add(&Shop::leastOverlap);
    add(&Shop::mostMovement);
    add(&Shop::leastTip);
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
    const QString days[] = {tr("Monday"), tr("Tuesday"),  tr("Wednesday"), tr("Thursday"),
                            tr("Friday"), tr("Saturday"), tr("Sunday")};
    for (size_t d = 0; d < 7; ++d) {
        auto* line = new QHBoxLayout;
        for (size_t k = 0; k < 2; ++k) {
            auto* field = new QTimeEdit(
                QTime::fromMSecsSinceStartOfDay(std::min(static_cast<int>(doc_.shop().hours[d][k]) * 60000, 86399999)));
            field->setDisplayFormat("hh:mm");
            field->setKeyboardTracking(false);
            field->setAccessibleName(days[d] + (k ? tr(", until") : tr(", from")));
            line->addWidget(field);
            connect(field, &QTimeEdit::timeChanged, this, [this, d, k](QTime t) {
                refused_->clear();
                // The last minute of the day stands for midnight.
                const double minutes = t == QTime(23, 59) ? 1440 : t.msecsSinceStartOfDay() / 60000;
                doc_.changeShop(tr("hours in the shop"), [&](Shop& shop) { shop.hours[d][k] = minutes; });
            });
        }
        form_->addRow(days[d], line);
    }
}

template <class Of> void ShopDialog::add(const Field& declared, Of of)
{
    const QString name = wordsOf(declared);
    const auto set = [this, of, name](double value) {
        refused_->clear();
        doc_.changeShop(name, [&](Shop& shop) { of(shop) = value; });
    };
    if (std::string_view(declared.limit.unit) == "mm") {
        auto* field = new LengthField(doc_, name, declared.limit);
        field->setValue(of(doc_.shop()));
        form_->addRow(name, field);
        connect(field, &LengthField::edited, this, set);
        return;
    }
    auto* field = new QDoubleSpinBox;
    field->setAccessibleName(name);
    field->setRange(declared.limit.low, declared.limit.high);
    field->setDecimals(std::string_view(declared.limit.unit) == "°" ? 1 : 0);
    field->setValue(of(doc_.shop()));
    field->setKeyboardTracking(false);
    form_->addRow(name, field);
    connect(field, &QDoubleSpinBox::valueChanged, this, set);
}

void ShopDialog::add(double Shop::*member)
{
    add(
        fieldOf(member), [member](auto& shop) -> auto& { return shop.*member; });
}

void ShopDialog::add(double Lathe::*member)
{
    add(
        fieldOf(member), [member](auto& shop) -> auto& { return shop.lathe.*member; });
}

}  // namespace vl::app
