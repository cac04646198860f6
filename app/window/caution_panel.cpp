#include "app/window/caution_panel.h"

#include "app/fields/group.h"
#include "app/theme/theme.h"
#include "report/type.h"

#include <QGuiApplication>
#include <QKeyEvent>
#include <QLabel>
#include <QPointer>
#include <QPushButton>
#include <QScrollArea>
#include <QTimer>
#include <QVBoxLayout>

namespace vl::app {

CautionPanel::CautionPanel(Document& document, QWidget* parent) : QFrame(parent), doc_(document)
{
    setObjectName("card");
    setAccessibleName(tr("Cautions"));
    setFocusPolicy(Qt::StrongFocus);
    auto* column = new QVBoxLayout(this);
    auto* head = new QHBoxLayout;
    auto* title = new QLabel(tr("Cautions"), this);
    title->setProperty("role", "title");
    auto* close = new QPushButton(icon("x", theme().quiet), {}, this);
    close->setProperty("role", "link");
    close->setAccessibleName(tr("Close the cautions"));
    connect(close, &QPushButton::clicked, this, &QWidget::hide);
    head->addWidget(title);
    head->addStretch();
    head->addWidget(close);
    column->addLayout(head);
    scroll_ = new QScrollArea(this);
    scroll_->setWidgetResizable(true);
    scroll_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    auto* inner = new QWidget(scroll_);
    list_ = new QVBoxLayout(inner);
    list_->setContentsMargins(0, 0, 8, 0);
    scroll_->setWidget(inner);
    column->addWidget(scroll_);
    // After the event that changed the document: the button pressed may be in this list.
    connect(&doc_, &Document::changed, this, [this] {
        if (isVisible()) QTimer::singleShot(0, this, &CautionPanel::rebuild);
    });
    hide();
}

void CautionPanel::openAt(const QString& id)
{
    rebuild();
    place();
    show();
    raise();
    setFocus();
    if (auto* item = findChild<QWidget*>("caution-" + id)) {
        if (auto* list = qobject_cast<Group*>(item->parentWidget()->parentWidget())) list->setOpen(true);
        QTimer::singleShot(0, this, [this, item = QPointer<QWidget>(item)] {
            if (item) scroll_->ensureWidgetVisible(item);
        });
    }
}

void CautionPanel::place()
{
    const int w = std::min(460, parentWidget()->width() - 40), h = std::min(560, parentWidget()->height() - 130);
    setGeometry(parentWidget()->width() - w - 20, 56, w, h);
}

void CautionPanel::rebuild()
{
    while (QLayoutItem* item = list_->takeAt(0)) {
        delete item->widget();
        delete item;
    }
    if (doc_.plan().cautions.empty()) {
        auto* none = new QLabel(tr("Nothing stands in the way."), this);
        none->setProperty("role", "quiet");
        list_->addWidget(none);
    }
    constexpr size_t many = 3;  // of one kind are one entry
    for (const CautionKind& kind : cautionKinds(doc_.plan().cautions))
        if (kind.all.size() < many)
            for (const Caution* c : kind.all) list_->addWidget(entry(*c));
        else
            list_->addWidget(together(kind));
    list_->addStretch();
}

QString CautionPanel::inWords(const Text& text) const { return QString::fromStdString(print(text, doc_.style())); }

/// One caution, with its fixes.
QWidget* CautionPanel::entry(const Caution& c)
{
    auto* item = new QFrame(this);
    const QString id = QString::fromStdString(c.id);
    item->setObjectName("caution-" + id);
    auto* column = new QVBoxLayout(item);
    column->setContentsMargins(0, 6, 0, 10);
    column->addWidget(said(c.level, QString::fromStdString(c.at), item));
    auto* message = new QLabel(inWords(c.message) + ".", item);
    message->setWordWrap(true);
    column->addWidget(message);
    for (size_t k = 0; k < c.fixes.size(); ++k) {
        auto* fix = new QPushButton(icon("wrench", theme().accent), inWords(c.fixes[k].label), item);
        fix->setObjectName(QStringLiteral("fix-%1-%2").arg(id).arg(k));
        connect(fix, &QPushButton::clicked, this, [this, change = c.fixes[k]] {
            doc_.apply(inWords(change.label), [&](Piece p) { return change.apply(std::move(p)); });
        });
        column->addWidget(fix);
    }
    return item;
}

/// Many of one kind: where they all are, the gravest's words, one fix for all, and the list behind a fold.
QWidget* CautionPanel::together(const CautionKind& kind)
{
    const Caution& worst = *kind.all.front();
    const auto count = static_cast<int>(kind.all.size());
    auto* item = new QFrame(this);
    item->setObjectName("kind-" + QString::fromStdString(kind.kind));
    auto* column = new QVBoxLayout(item);
    column->setContentsMargins(0, 6, 0, 10);
    column->addWidget(said(
        worst.level,
        tr("%n places, at worst %1", nullptr, static_cast<int>(count)).arg(QString::fromStdString(worst.at)), item));
    auto* message = new QLabel(inWords(worst.message) + ".", item);
    message->setWordWrap(true);
    column->addWidget(message);
    for (size_t k = 0; k < worst.fixes.size(); ++k) {
        auto* fix = new QPushButton(icon("wrench", theme().accent),
                                    tr("All %1: %2").arg(count).arg(inWords(worst.fixes[k].label)), item);
        fix->setObjectName(QStringLiteral("fix-all-%1-%2").arg(QString::fromStdString(kind.kind)).arg(k));
        connect(fix, &QPushButton::clicked, this, [this, k, name = kind.kind] {
            QGuiApplication::setOverrideCursor(Qt::WaitCursor);
            doc_.apply(tr("mend all of a kind"),
                       [&](Piece p) { return mendedAll(std::move(p), doc_.wanted().shop, name, k); });
            QGuiApplication::restoreOverrideCursor();
        });
        column->addWidget(fix);
    }
    auto* list = new Group(tr("Each of them"), QStringLiteral("cautions"), false, item);
    for (const Caution* c : kind.all) list->body()->addWidget(entry(*c));
    column->addWidget(list);
    return item;
}

QLabel* CautionPanel::said(Level level, const QString& where, QWidget* parent) const
{
    auto* title = new QLabel(QString::fromLatin1(levelName(level)) + QStringLiteral(" · ") + where, parent);
    title->setWordWrap(true);
    title->setStyleSheet(QStringLiteral("color: %1; font-weight: 600;")
                             .arg((level == Level::Stop ? theme().stop : theme().warn).name()));
    return title;
}

void CautionPanel::keyPressEvent(QKeyEvent* event)
{
    if (event->key() == Qt::Key_Escape)
        hide();
    else
        QFrame::keyPressEvent(event);
}

}  // namespace vl::app
