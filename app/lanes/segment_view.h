#pragma once

#include "app/document/document.h"

#include <QWidget>

namespace vl::app {

/// The drawing of one segment of the chosen ring with its measures.
class SegmentView : public QWidget {
    Q_OBJECT
public:
    explicit SegmentView(Document& document, QWidget* parent = nullptr);
    QSize minimumSizeHint() const override { return {220, 150}; }

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    Document& doc_;
};

}  // namespace vl::app
