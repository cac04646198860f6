#include "app/fields/wood_dialog.h"

#include "app/fields/field_form.h"
#include "core/measure/input_error.h"
#include "core/piece/records/field_items.h"

#include <QColorDialog>
#include <QDialogButtonBox>
#include <QFormLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QVBoxLayout>

namespace vl::app {

WoodDialog::WoodDialog(Document& document, OwnWood wood, QWidget* parent) : QDialog(parent), wood_(std::move(wood))
{
    setWindowTitle(tr("A wood of your own"));
    setMinimumWidth(400);
    auto* column = new QVBoxLayout(this);
    auto* top = new QFormLayout;
    auto* name = new QLineEdit(QString::fromStdString(wood_.name));
    name->setAccessibleName(tr("Name of the wood"));
    name->setMaxLength(static_cast<int>(fieldOf(&OwnWood::name).limit.high));
    connect(name, &QLineEdit::textChanged, this, [this](const QString& t) { wood_.name = t.toStdString(); });
    top->addRow(tr("Name"), name);
    top->addRow(tr("Wood grown in spring"), color(tr("Light color"), &OwnWood::light));
    top->addRow(tr("Wood grown in summer"), color(tr("Dark color"), &OwnWood::dark));
    column->addLayout(top);
    auto* form = new FieldForm(document);
    // Its name and its two colors have fields of their own above.
    std::vector<FieldItem> items = itemsOf(wood_);
    std::erase_if(items, [](const FieldItem& i) { return i.field.kind == Field::Kind::Text; });
    form->show(items);
    connect(form, &FieldForm::edited, this,
            [this](const QString&, const std::string& path, const FieldValue& value) { setField(wood_, path, value); });
    column->addWidget(form);
    auto* note = new QLabel(tr("From a handbook or the dealer; where you do not know, take the higher shrinkage."));
    note->setProperty("role", "quiet");
    note->setWordWrap(true);
    column->addWidget(note);
    refused_ = new QLabel;
    refused_->setProperty("role", "warn");
    refused_->setWordWrap(true);
    column->addWidget(refused_);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
    connect(buttons, &QDialogButtonBox::accepted, this, &WoodDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    column->addWidget(buttons);
    name->selectAll();
    name->setFocus();
}

QPushButton* WoodDialog::color(const QString& words, std::string OwnWood::*member)
{
    auto* button = new QPushButton;
    button->setAccessibleName(words);
    auto show = [this, button, member] {
        QPixmap swatch(40, 16);
        swatch.fill(QColor(QString::fromStdString(wood_.*member)));
        button->setIcon(swatch);
        button->setText(QString::fromStdString(wood_.*member));
    };
    button->setIconSize({40, 16});
    connect(button, &QPushButton::clicked, this, [this, words, member, show] {
        const QColor chosen = QColorDialog::getColor(QColor(QString::fromStdString(wood_.*member)), this, words);
        if (!chosen.isValid()) return;
        wood_.*member = chosen.name(QColor::HexRgb).toStdString();
        show();
    });
    show();
    return button;
}

void WoodDialog::accept()
{
    try {
        makeKnown(wood_);
        QDialog::accept();
    } catch (const InputError& e) {
        refused_->setText(QString::fromStdString(e.what()));
    }
}

}  // namespace vl::app
