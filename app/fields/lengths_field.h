#pragma once

#include "app/document/document.h"

#include <QLineEdit>

namespace vl::app {

/// A field that reads several lengths with semicolons between, in every form of the shop. Enter or leaving the field
/// hands them on; what cannot be read, is beyond its limit or too many, is marked and said, and the old values stay.
class LengthsField : public QLineEdit {
    Q_OBJECT
public:
    LengthsField(Document& document, const QString& name, const Field& field, QWidget* parent = nullptr);

    void setValues(const std::vector<double>& mm);
    const std::vector<double>& values() const { return mm_; }

signals:
    void edited(const std::vector<double>& mm);

protected:
    void focusOutEvent(QFocusEvent* event) override;

private:
    void take();
    void refresh();

    Document& doc_;
    Field field_;
    std::vector<double> mm_;
};

}  // namespace vl::app
