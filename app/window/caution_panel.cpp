#include "app/window/caution_panel.h"

#include "app/theme/theme.h"
#include "report/type.h"

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
    if (auto* item = findChild<QWidget*>("caution-" + id))
        QTimer::singleShot(0, this, [this, item = QPointer<QWidget>(item)] {
            if (item) scroll_->ensureWidgetVisible(item);
        });
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
    for (const Caution& c : doc_.plan().cautions) {
        auto* item = new QFrame(this);
        const QString id = QString::fromStdString(c.id);
        item->setObjectName("caution-" + id);
        auto* column = new QVBoxLayout(item);
        column->setContentsMargins(0, 6, 0, 10);
        auto* title = new QLabel(QString::fromStdString(std::string(levelName(c.level)) + " · " + c.at), item);
        title->setStyleSheet(QStringLiteral("color: %1; font-weight: 600;")
                                 .arg((c.level == Level::Stop ? theme().stop : theme().warn).name()));
        auto* message = new QLabel(QString::fromStdString(c.message) + ".", item);
        message->setWordWrap(true);
        column->addWidget(title);
        column->addWidget(message);
        for (size_t k = 0; k < c.fixes.size(); ++k) {
            auto* fix = new QPushButton(icon("wrench", theme().accent), QString::fromStdString(c.fixes[k].label), item);
            fix->setObjectName(QStringLiteral("fix-%1-%2").arg(id).arg(k));
            connect(fix, &QPushButton::clicked, this, [this, change = c.fixes[k]] {
                doc_.apply(QString::fromStdString(change.label), change.apply(doc_.piece()));
            });
            column->addWidget(fix);
        }
        list_->addWidget(item);
    }
    list_->addStretch();
}

void CautionPanel::keyPressEvent(QKeyEvent* event)
{
    if (event->key() == Qt::Key_Escape)
        hide();
    else
        QFrame::keyPressEvent(event);
}

}  // namespace vl::app
