#pragma once

#include "app/document/document.h"

#include <QLineEdit>

#include <functional>

namespace vl::app {

/// Marks a field and says why it cannot be taken; or, where nothing is said, that it is well.
void markBad(QLineEdit& field, const QString& why);

/// A field that reads lengths in every form of the shop, in the units on show. Enter or leaving the field hands the
/// value on; what cannot be read, or is beyond the limit, is marked and said, and the old value stays. Arrow keys step
/// by 0.5 mm or 1/64 in.
class LengthField : public QLineEdit {
    Q_OBJECT
public:
    LengthField(Document& document, const QString& name, const Limit& limit, QWidget* parent = nullptr);

    void setValue(double mm);
    /// Several values at once: shows what they have in common, or a dash.
    void setMixed();
    double value() const { return mm_; }

signals:
    void edited(double mm);

protected:
    void keyPressEvent(QKeyEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;

private:
    void take();
    void refresh();

    Document& doc_;
    Limit limit_;
    double mm_ = 0;
    bool mixed_ = false;
};

}  // namespace vl::app
