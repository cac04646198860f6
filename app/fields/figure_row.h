#pragma once

#include "app/document/document.h"
#include "core/plan/working.h"

#include <QAbstractButton>

#include <functional>

namespace vl::app {

/// A computed number with its name; pressing it shows its working. Of the whole piece, or of the chosen layer.
class FigureRow : public QAbstractButton {
    Q_OBJECT
public:
    FigureRow(Document& document, FigureId figure, const QString& name, bool ofLayer, QWidget* parent = nullptr);
    /// A number with any other working, read anew whenever the plan changes.
    FigureRow(Document& document, const QString& name, std::function<Working(LengthStyle)> working,
              QWidget* parent = nullptr);

    QString value() const { return value_; }
    /// Drawn larger, in the accent.
    void setLeading(bool leading) { leading_ = leading; }
    QSize sizeHint() const override { return {120, leading_ ? 30 : 25}; }

protected:
    void paintEvent(QPaintEvent* event) override;
    void showEvent(QShowEvent* event) override;

private:
    void refresh();
    void read();

    Document& doc_;
    std::function<Working(LengthStyle)> working_;
    QString name_, value_;
    bool leading_ = false;
};

}  // namespace vl::app
