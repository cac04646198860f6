#pragma once

#include "app/access/readable.h"
#include "app/document/document.h"

#include <QWidget>

namespace vl::app {

/// The mounts as a row along the bed, each drawn to scale with its sweep; the chosen one's proof below. Pressing one
/// chooses its step.
class MountsView : public QWidget, public Readable {
    Q_OBJECT
public:
    explicit MountsView(Document& document, QWidget* parent = nullptr);

    std::vector<ReadableItem> things() const override;
    void chooseThing(int mount) override;
    QSize sizeHint() const override;
    QSize minimumSizeHint() const override { return sizeHint(); }

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    static constexpr double wide = 214, lines = 74;  // pixels of one, and of its words
    QRectF boxOf(size_t mount) const;
    int chosen() const;

    Document& doc_;
};

}  // namespace vl::app
