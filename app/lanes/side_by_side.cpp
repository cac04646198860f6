#include "app/lanes/side_by_side.h"

#include "app/theme/theme.h"
#include "report/drawing.h"

#include <QMouseEvent>
#include <QPainter>

#include <cmath>

namespace vl::app {

namespace {
constexpr double words = 26, edge = 12;  // pixels
}

SideBySide::SideBySide(QWidget* parent) : QWidget(parent) { setMinimumSize(420, 240); }

void SideBySide::show(const Piece& one, const QString& called, const Piece* other, const QString& otherCalled)
{
    pieces_ = {one};
    names_ = {called};
    if (other) {
        pieces_.push_back(*other);
        names_ << otherCalled;
    }
    sides_.clear();
    most_ = {1, 1};
    for (const Piece& p : pieces_) {
        sides_.push_back(turnedSurfacesOf(p));
        most_ = most_.expandedTo(report::sectionSize(p, sides_.back()));
    }
    setAccessibleName(names_.join(QStringLiteral(", ")));
    update();
}

void SideBySide::mark(Polyline seat)
{
    mark_ = std::move(seat);
    update();
}

double SideBySide::each() const { return width() / static_cast<double>(std::max<size_t>(1, pieces_.size())); }

double SideBySide::scale() const
{
    return std::min((each() - 2 * edge) / (2 * most_.width()), (height() - words - 2 * edge) / most_.height());
}

QPointF SideBySide::footOf(size_t piece) const
{
    return {each() * (static_cast<double>(piece) + 0.5), height() - edge};
}

QPointF SideBySide::placeOf(const Point& p) const { return footOf(0) + scale() * QPointF(p.y(), -p.x()); }

void SideBySide::mousePressEvent(QMouseEvent* event)
{
    const QPointF from = (event->position() - footOf(0)) / scale();
    if (event->button() == Qt::LeftButton && event->position().x() < each())
        emit pressed({-from.y(), std::abs(from.x())});
}

void SideBySide::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme().panel);
    painter.setRenderHint(QPainter::Antialiasing);
    for (size_t i = 0; i < pieces_.size(); ++i) {
        report::drawSection(painter, footOf(i), scale(), pieces_[i], sides_[i],
                            {theme().text, theme().text, theme().quiet, theme().ground});
        painter.setPen(i == 0 ? theme().quiet : theme().accent);
        painter.setFont(textFont(9, QFont::DemiBold));
        painter.drawText(QRectF(each() * static_cast<double>(i), 4, each(), words), Qt::AlignCenter,
                         names_[static_cast<qsizetype>(i)]);
    }
    if (mark_.empty()) return;
    painter.setPen(QPen(theme().accent, 4, Qt::SolidLine, Qt::FlatCap));
    for (size_t i = 0; i + 1 < mark_.size(); ++i) painter.drawLine(placeOf(mark_[i]), placeOf(mark_[i + 1]));
    painter.setBrush(theme().accent);
    for (const Point& end : {mark_.front(), mark_.back()}) painter.drawEllipse(placeOf(end), 3, 3);
}

}  // namespace vl::app
