#include "app/fields/lengths_field.h"

#include "app/fields/length_field.h"
#include "core/measure/input_error.h"
#include "core/piece/records/check.h"

namespace vl::app {

LengthsField::LengthsField(Document& document, const QString& name, const Field& field, QWidget* parent)
    : QLineEdit(parent), doc_(document), field_(field)
{
    setAccessibleName(name);
    setPlaceholderText(tr("18; 22.5; 30"));
    connect(this, &QLineEdit::returnPressed, this, &LengthsField::take);
    connect(&doc_, &Document::changed, this, [this] {
        if (!isModified()) refresh();
    });
}

void LengthsField::setValues(const std::vector<double>& mm)
{
    mm_ = mm;
    if (!(hasFocus() && isModified())) refresh();
}

void LengthsField::refresh()
{
    setText(QString::fromStdString(fieldLengths(mm_, doc_.style())));
    setModified(false);
    markBad(*this, {});
}

void LengthsField::take()
{
    if (!isModified()) return;
    try {
        const std::string name = accessibleName().toStdString();
        const std::vector<double> mm = parseLengths(text().toStdString(), doc_.style().unit, name);
        checkLengths(name, mm, field_);
        mm_ = mm;
        refresh();
        emit edited(mm);
    } catch (const InputError& e) {
        markBad(*this, QString::fromStdString(e.what()));
    }
}

void LengthsField::focusOutEvent(QFocusEvent* event)
{
    take();
    if (property("bad").toBool()) refresh();
    QLineEdit::focusOutEvent(event);
}

}  // namespace vl::app
