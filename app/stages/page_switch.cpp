#include "app/stages/page_switch.h"

#include <QButtonGroup>
#include <QScrollArea>
#include <QStackedWidget>
#include <QToolButton>
#include <QVBoxLayout>

namespace vl::app {

PageSwitch::PageSwitch(QWidget* parent) : QWidget(parent)
{
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    row_ = new QHBoxLayout;
    row_->setContentsMargins(12, 2, 12, 2);
    row_->addStretch(1);
    column->addLayout(row_);
    pages_ = new QStackedWidget;
    column->addWidget(pages_, 1);
    group_ = new QButtonGroup(this);
    connect(group_, &QButtonGroup::idClicked, pages_, &QStackedWidget::setCurrentIndex);
    connect(pages_, &QStackedWidget::currentChanged, this, &PageSwitch::shown);
}

void PageSwitch::add(const QString& name, QWidget* page, bool scrolls)
{
    auto* button = new QToolButton;
    button->setText(name);
    button->setAccessibleName(name);
    button->setProperty("role", "toggle");
    button->setCheckable(true);
    row_->addWidget(button);
    group_->addButton(button, pages_->count());
    if (scrolls) {
        auto* scroll = new QScrollArea;
        scroll->setWidgetResizable(true);
        scroll->setFrameShape(QFrame::NoFrame);
        scroll->setWidget(page);
        page = scroll;
    }
    pages_->addWidget(page);
    if (pages_->count() == 1) button->setChecked(true);
}

void PageSwitch::addTool(const QString& words, const QString& what, std::function<void()> press)
{
    auto* button = new QToolButton;
    button->setText(words);
    button->setToolTip(what);
    button->setAccessibleName(what);
    button->setProperty("role", "toggle");
    row_->insertWidget(tools_++, button);
    connect(button, &QToolButton::clicked, this, std::move(press));
}

bool PageSwitch::show(const QString& name)
{
    for (QAbstractButton* button : group_->buttons())
        if (button->text() == name) {
            button->click();
            return true;
        }
    return false;
}

int PageSwitch::current() const { return pages_->currentIndex(); }

}  // namespace vl::app
