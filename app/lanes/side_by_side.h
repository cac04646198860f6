#pragma once

#include "core/blank/assembly.h"

#include <QWidget>

#include <vector>

namespace vl::app {

/// Two sections on one scale, foot down, each with what it is called: the piece, and what becomes of it. Where
/// something is measured is marked on the first, and pressed there.
class SideBySide : public QWidget {
    Q_OBJECT
public:
    explicit SideBySide(QWidget* parent = nullptr);
    void show(const Piece& one, const QString& called, const Piece* other, const QString& otherCalled);
    /// A line in the half section of the first, stations and radii in mm; empty: none.
    void mark(Polyline seat);
    /// Where a place of the first one's half section is seen.
    QPointF placeOf(const Point& p) const;

signals:
    void pressed(const vl::Point& place);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;

private:
    /// The width that each of them has, pixels; pixels a mm, and where the middle of each foot stands.
    double each() const;
    double scale() const;
    QPointF footOf(size_t piece) const;

    std::vector<Piece> pieces_;
    std::vector<TurnedSurfaces> sides_;
    QSizeF most_;
    QStringList names_;
    Polyline mark_;
};

}  // namespace vl::app
