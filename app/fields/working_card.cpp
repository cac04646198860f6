#include "app/fields/working_card.h"

#include "app/theme/theme.h"

#include <QLabel>
#include <QScreen>
#include <QVBoxLayout>

namespace vl::app {

WorkingCard::WorkingCard(QWidget* parent, const Working& w) : QFrame(parent, Qt::Popup)
{
    setObjectName("card");
    setAttribute(Qt::WA_DeleteOnClose);
    setAccessibleName(tr("Working of %1").arg(QString::fromStdString(w.title)));
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(16, 12, 16, 14);
    column->setSpacing(5);
    auto line = [&](const std::string& words, const QFont& font, const QColor& ink, const char* name) {
        if (words.empty()) return;
        auto* label = new QLabel(QString::fromStdString(words), this);
        label->setObjectName(name);
        label->setFont(font);
        label->setStyleSheet(QStringLiteral("color: %1;").arg(ink.name()));
        label->setWordWrap(true);
        label->setTextInteractionFlags(Qt::TextSelectableByMouse);
        column->addWidget(label);
    };
    const Theme& t = theme();
    line(w.title, textFont(9, QFont::DemiBold), t.quiet, "title");
    line(w.result, textFont(16, QFont::DemiBold), t.accent, "result");
    line(w.formula.empty() ? "" : "= " + w.formula, textFont(9.5), t.text, "formula");
    line(w.numbers, textFont(9.5, QFont::Medium), t.text, "numbers");
    line(w.assumption.empty() ? "" : "Assumes: " + w.assumption, textFont(8.5), t.quiet, "assumption");
    line(w.source.empty() ? "" : "Source: " + w.source, textFont(8.5), t.quiet, "source");
    line(w.use.empty() ? "" : "Used for: " + w.use, textFont(8.5), t.quiet, "use");
    setFixedWidth(360);
}

void WorkingCard::show(QWidget* near, const QPoint& global, const Document& document, FigureId figure, int layer)
{
    show(near, global, workingOf(figure, document.piece(), document.shop(), document.plan(), layer, document.style()));
}

void WorkingCard::show(QWidget* near, const QPoint& global, const Working& working)
{
    if (working.title.empty()) return;
    auto* card = new WorkingCard(near->window(), working);
    card->adjustSize();
    // Over the window it belongs to, where that is large enough.
    const QRect screen = near->window()->geometry().intersected(near->screen()->availableGeometry());
    const int left =
        std::clamp(global.x() - 40, screen.left(), std::max(screen.left(), screen.right() - card->width()));
    const int below = global.y() + 14;
    card->move(left, below + card->height() > screen.bottom() ? global.y() - card->height() - 14 : below);
    card->QFrame::show();
}

}  // namespace vl::app
