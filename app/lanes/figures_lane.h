#pragma once

#include "app/lanes/lane.h"
#include "core/plan/working.h"

#include <functional>

namespace vl::app {

/// Figures in columns that stand under what they belong to: layers or stations. Where columns are narrower than their
/// figures, the chosen one and those that fit beside it are shown. Pressing a figure shows its working.
class FiguresLane : public Lane {
    Q_OBJECT
public:
    struct Row {
        QString name;
        FigureId figure;
        /// The figure of a column; empty leaves the cell empty.
        std::function<QString(int column)> text;
    };
    enum class Columns { Layers, Stations };

    FiguresLane(Document& document, AxisMap& axis, const QString& title, Columns columns, std::vector<Row> rows,
                QWidget* parent = nullptr);
    /// The usual row of a layer's figure.
    static Row layerRow(Document& document, const QString& name, FigureId figure, bool bare = false);

    QSize sizeHint() const override { return {420, 26 + rowHeight * static_cast<int>(rows_.size()) + 6}; }
    QSize minimumSizeHint() const override { return sizeHint(); }

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void leaveEvent(QEvent* event) override;

private:
    static constexpr int rowHeight = 21;
    int count() const;
    double centre(int column) const;
    int columnAt(double px) const;
    std::vector<int> shown() const;

    Columns columns_;
    std::vector<Row> rows_;
    int hover_ = -1;
};

}  // namespace vl::app
