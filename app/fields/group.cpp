#include "app/fields/group.h"

#include "app/theme/theme.h"

#include <QEvent>
#include <QSettings>
#include <QVBoxLayout>

namespace vl::app {

Group::Group(const QString& words, const QString& key, bool open, QWidget* parent)
    : QWidget(parent), key_(QStringLiteral("fold/") + key), head_(new QToolButton), content_(new QWidget)
{
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 2, 0, 0);
    column->setSpacing(2);
    head_->setText(words);
    head_->setAccessibleName(words);
    head_->setProperty("role", "fold");
    head_->setToolButtonStyle(Qt::ToolButtonTextBesideIcon);
    head_->setIconSize({14, 14});
    head_->setCheckable(true);
    head_->setChecked(QSettings().value(key_, open).toBool());
    column->addWidget(head_, 0, Qt::AlignLeft);
    body_ = new QVBoxLayout(content_);
    body_->setContentsMargins(0, 0, 0, 2);
    body_->setSpacing(4);
    column->addWidget(content_);
    connect(head_, &QToolButton::toggled, this, [this](bool on) {
        QSettings().setValue(key_, on);
        showState();
    });
    showState();
}

void Group::setOpen(bool open) { head_->setChecked(open); }

void Group::setEmpty(bool empty)
{
    if (empty == empty_) return;
    empty_ = empty;
    showState();
}

void Group::showState()
{
    content_->setVisible(isOpen() && !empty_);
    head_->setIcon(icon(isOpen() ? "chevron-down" : "chevron-right", theme().quiet));
}

void Group::changeEvent(QEvent* event)
{
    QWidget::changeEvent(event);
    if (event->type() == QEvent::StyleChange) showState();
}

}  // namespace vl::app
