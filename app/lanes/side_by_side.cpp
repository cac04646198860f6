#include "app/lanes/side_by_side.h"

#include "app/theme/theme.h"
#include "core/blank/assembly.h"
#include "report/drawing.h"

#include <QPainter>

namespace vl::app {

SideBySide::SideBySide(QWidget* parent) : QWidget(parent) { setMinimumSize(420, 240); }

void SideBySide::show(const Piece& one, const QString& called, const Piece* other, const QString& otherCalled)
{
    pieces_ = {one};
    names_ = {called};
    if (other) {
        pieces_.push_back(*other);
        names_ << otherCalled;
    }
    setAccessibleName(names_.join(QStringLiteral(", ")));
    update();
}

void SideBySide::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme().panel);
    painter.setRenderHint(QPainter::Antialiasing);
    std::vector<Sides> all;
    QSizeF most(1, 1);
    for (const Piece& p : pieces_) {
        all.push_back(sidesOf(p));
        most = most.expandedTo(report::sectionSize(p, all.back()));
    }
    constexpr double words = 26, edge = 12;
    const double each = width() / 2.0;
    const double scale =
        std::min((each - 2 * edge) / (2 * most.width()), (height() - words - 2 * edge) / most.height());
    for (size_t i = 0; i < all.size(); ++i) {
        const QPointF foot(each * (static_cast<double>(i) + 0.5), height() - edge);
        report::drawSection(painter, foot, scale, pieces_[i], all[i],
                            {theme().text, theme().text, theme().quiet, theme().ground});
        painter.setPen(i == 0 ? theme().quiet : theme().accent);
        painter.setFont(textFont(9, QFont::DemiBold));
        painter.drawText(QRectF(each * static_cast<double>(i), 4, each, words), Qt::AlignCenter,
                         names_[static_cast<qsizetype>(i)]);
    }
}

}  // namespace vl::app
