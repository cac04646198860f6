#include "app/fields/length_field.h"

#include "core/measure/input_error.h"
#include "core/piece/records/check.h"

#include <QKeyEvent>
#include <QStyle>
#include <QToolTip>

namespace vl::app {

void markBad(QLineEdit& field, const QString& why)
{
    field.setToolTip(why.isEmpty() ? field.property("hint").toString() : why);
    if (field.property("bad").toBool() != !why.isEmpty()) {
        field.setProperty("bad", !why.isEmpty());
        field.style()->unpolish(&field);
        field.style()->polish(&field);
    }
    if (!why.isEmpty()) QToolTip::showText(field.mapToGlobal(QPoint(0, field.height())), why, &field);
}

LengthField::LengthField(Document& document, const QString& name, const Limit& limit, QWidget* parent)
    : QLineEdit(parent), doc_(document), limit_(limit)
{
    setAccessibleName(name);
    setAlignment(Qt::AlignRight);
    setMinimumWidth(122);  // "12 19/32 +0.012 in"
    setProperty("hint", tr("Takes 12.5 or 12,5, 1 3/8, 2'3\", 35mm, and sums: 3/8 + 1/16, 10in/3"));
    setToolTip(property("hint").toString());
    connect(this, &QLineEdit::returnPressed, this, &LengthField::take);
    connect(&doc_, &Document::changed, this, [this] {
        if (!isModified()) refresh();
    });
}

void LengthField::setValue(double mm)
{
    mm_ = mm;
    mixed_ = false;
    if (!(hasFocus() && isModified())) refresh();
}

void LengthField::setMixed()
{
    mixed_ = true;
    if (!(hasFocus() && isModified())) refresh();
}

void LengthField::refresh()
{
    setText(mixed_ ? QString() : QString::fromStdString(fieldLength(mm_, doc_.style())));
    setPlaceholderText(mixed_ ? tr("several") : QString());
    setModified(false);
    markBad(*this, {});
}

void LengthField::take()
{
    if (!isModified()) return;
    try {
        const double mm = parseLength(text().toStdString(), doc_.style().unit, accessibleName().toStdString());
        checkWithin(accessibleName().toStdString(), mm, limit_);
        setModified(false);
        markBad(*this, {});
        mm_ = mm;
        mixed_ = false;
        emit edited(mm);
        refresh();
    } catch (const InputError& e) {
        markBad(*this, QString::fromStdString(e.what()));
    }
}

void LengthField::keyPressEvent(QKeyEvent* event)
{
    if (event->key() == Qt::Key_Escape && isModified()) {
        refresh();
        return;
    }
    if ((event->key() == Qt::Key_Up || event->key() == Qt::Key_Down) && !mixed_) {
        const double step = doc_.style().unit == LengthStyle::Unit::Millimeter ? 0.5 : mmPerInch / 64;
        const double mm = std::clamp(mm_ + (event->key() == Qt::Key_Up ? step : -step), limit_.low, limit_.high);
        mm_ = mm;
        emit edited(mm);
        refresh();
        return;
    }
    QLineEdit::keyPressEvent(event);
}

void LengthField::focusOutEvent(QFocusEvent* event)
{
    take();
    if (property("bad").toBool()) refresh();
    QLineEdit::focusOutEvent(event);
}

}  // namespace vl::app
