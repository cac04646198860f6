#pragma once

#include "app/access/readable.h"
#include "app/document/document.h"

#include <QWidget>

namespace vl::app {

/// The machine set-ups in their order: what to set, large, what is cut with it, and the trial cut before it. A click
/// chooses its layer.
class SetupsView : public QWidget, public Readable {
    Q_OBJECT
public:
    explicit SetupsView(Document& document, QWidget* parent = nullptr);
    std::vector<ReadableItem> things() const override;
    void chooseThing(int index) override;
    QSize sizeHint() const override { return {600, 30 + rowHeight() * static_cast<int>(setups_.size())}; }

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    /// In a narrow window settings and trial take two lines each.
    bool isNarrow() const { return width() < 760; }
    int settingsHeight() const { return isNarrow() ? 36 : 24; }
    int rowHeight() const { return isNarrow() ? 106 : 76; }
    void read();

    Document& doc_;
    struct Row {
        QString machine, settings, parts, trial;
        int layer = -1;
    };
    std::vector<Row> setups_;
    int at_ = -1;    ///< where the keyboard is
    int least_ = 0;  ///< how many there could be
};

}  // namespace vl::app
