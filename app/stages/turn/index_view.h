#pragma once

#include "app/document/document.h"

#include <QWidget>

#include <functional>

namespace vl::app {

/// The chosen axis's sides on its index plate: a ring of holes, the marks in the order of the work, and how far each is
/// off.
class IndexView : public QWidget {
    Q_OBJECT
public:
    /// `chosen` gives the place of the axis; −1: none.
    IndexView(Document& document, std::function<int()> chosen, QWidget* parent = nullptr);
    QSize minimumSizeHint() const override { return {420, 190}; }

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    Document& doc_;
    std::function<int()> chosen_;
};

}  // namespace vl::app
