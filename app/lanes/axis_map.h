#pragma once

#include <QObject>

namespace vl::app {

/// The lathe's axis on the screen, shared by the lanes of a stage: stations in mm to pixels, zoomed and panned
/// together. The scale is the same along and across the axis, so that sections keep their true shape.
class AxisMap : public QObject {
    Q_OBJECT
public:
    using QObject::QObject;

    static constexpr double leftMargin = 92, rightMargin = 22;

    double x(double z) const { return leftMargin + (z - z0_) * scale_; }
    double z(double x) const { return z0_ + (x - leftMargin) / scale_; }
    double scale() const { return scale_; }

    /// The room there is: pixels across, pixels for the section's radius, and the piece's length and greatest radius,
    /// mm.
    void setRoom(double width, double sectionHeight, double length, double radius);
    void zoom(double factor, double aboutX);
    void pan(double pixels);
    void fit();

signals:
    void changed();

private:
    void settle();

    double width_ = 600, section_ = 200, length_ = 100, radius_ = 50;
    double factor_ = 1, z0_ = 0, scale_ = 1;
};

}  // namespace vl::app
