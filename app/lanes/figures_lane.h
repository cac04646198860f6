#pragma once

#include "app/access/readable.h"
#include "app/lanes/columns.h"
#include "app/lanes/lane.h"
#include "core/plan/working.h"

#include <functional>
#include <optional>

namespace vl::app {

/// Figures in columns of equal width, of layers or of stations. Pressing a figure shows its working.
class FiguresLane : public Lane, public Readable {
    Q_OBJECT
public:
    struct Row {
        QString name;
        std::function<QString(int column)> text;  ///< empty leaves the cell empty
        std::function<Working(int column)> working;
    };
    /// The rows may be others whenever the choice or the plan is.
    using Rows = std::function<std::vector<Row>()>;

    /// `most`: how many rows it has room for. `chosen`: the column that is marked, −1 for none.
    FiguresLane(Document& document, Columns& columns, const QString& title, int most, Rows rows,
                std::function<int()> chosen, QWidget* parent = nullptr);
    /// The usual row of a figure; `bare` without unit and trailing noughts.
    static Row figureRow(Document& document, const QString& name, FigureId figure, bool bare = false);
    QString textAt(int row, int column) const;
    std::vector<ReadableItem> things() const override;
    void chooseThing(int column) override { emit columnPressed(column, {}); }

    QSize sizeHint() const override { return {420, rowHeight * most_ + 8}; }
    QSize minimumSizeHint() const override { return sizeHint(); }

signals:
    void columnPressed(int column, Qt::KeyboardModifiers modifiers);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;

private:
    static constexpr int rowHeight = 21;

    Columns& columns_;
    int most_;
    Rows rows_;
    std::function<int()> chosen_;
};

}  // namespace vl::app
