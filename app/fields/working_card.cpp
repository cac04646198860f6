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
    setAccessibleName(tr("Working of %1").arg(localized(w.title.c_str())));
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(16, 12, 16, 14);
    column->setSpacing(5);
    auto line = [&](const QString& words, const QFont& font, const QColor& ink, const char* name) {
        if (words.isEmpty()) return;
        auto* label = new QLabel(words, this);
        label->setObjectName(name);
        label->setFont(font);
        label->setStyleSheet(QStringLiteral("color: %1;").arg(ink.name()));
        label->setWordWrap(true);
        label->setTextInteractionFlags(Qt::TextSelectableByMouse);
        column->addWidget(label);
    };
    const Theme& t = theme();
    // What is said is translated; formulas and numbers are the same everywhere.
    auto said = [](const QString& frame, const std::string& words) {
        return words.empty() ? QString() : frame.arg(localized(words.c_str()));
    };
    line(said(QStringLiteral("%1"), w.title), textFont(9, QFont::DemiBold), t.quiet, "title");
    line(QString::fromStdString(w.result), textFont(16, QFont::DemiBold), t.accent, "result");
    line(w.formula.empty() ? QString() : QStringLiteral("= ") + QString::fromStdString(w.formula), textFont(9.5),
         t.text, "formula");
    line(QString::fromStdString(w.numbers), textFont(9.5, QFont::Medium), t.text, "numbers");
    line(said(tr("Assumes: %1"), w.assumption), textFont(8.5), t.quiet, "assumption");
    line(said(tr("Source: %1"), w.source), textFont(8.5), t.quiet, "source");
    line(said(tr("Used for: %1"), w.use), textFont(8.5), t.quiet, "use");
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
