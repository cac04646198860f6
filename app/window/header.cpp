// The window's header: menus, the piece's name, units, cautions, the packet.
#include "app/window/caution_panel.h"
#include "app/window/main_window.h"

#include <QButtonGroup>
#include <QHBoxLayout>
#include <QLabel>
#include <QMenuBar>
#include <QPushButton>
#include <QSettings>
#include <QToolButton>

namespace vl::app {

QWidget* MainWindow::makeHeader()
{
    auto* header = new QWidget;
    header->setObjectName("header");
    header->setFixedHeight(48);
    auto* row = new QHBoxLayout(header);
    row->setContentsMargins(8, 0, 16, 0);
    row->addWidget(makeMenus(), 0, Qt::AlignVCenter);
    row->addSpacing(6);
    for (QToolButton** button : {&undo_, &redo_}) {
        *button = new QToolButton;
        (*button)->setProperty("role", "link");
        (*button)->setDefaultAction(button == &undo_ ? undoAction_ : redoAction_);
        (*button)->setToolButtonStyle(Qt::ToolButtonIconOnly);
        (*button)->setAccessibleName(button == &undo_ ? tr("Undo") : tr("Redo"));
        row->addWidget(*button);
    }
    row->addStretch(1);
    // The name is changed by a press on it.
    title_ = new QToolButton;
    title_->setObjectName("name");
    title_->setProperty("role", "name");
    title_->setToolTip(tr("Name and notes of the piece (F2)"));
    connect(title_, &QToolButton::clicked, this, &MainWindow::editName);
    edited_ = new QLabel;
    edited_->setProperty("role", "quiet");
    row->addWidget(title_);
    row->addSpacing(4);
    row->addWidget(edited_);
    row->addStretch(1);
    addUnits(row);
    row->addSpacing(14);
    cautionPill_ = new QPushButton;
    cautionPill_->setProperty("role", "caution");
    cautionPill_->setObjectName("cautions");
    cautionPill_->setMinimumWidth(128);  // so that nothing beside it jumps
    connect(cautionPill_, &QPushButton::clicked, this,
            [this] { cautions_->isVisible() ? cautions_->hide() : cautions_->openAt({}); });
    print_ = new QPushButton(tr("Print packet"));
    print_->setProperty("role", "primary");
    print_->setObjectName("print");
    print_->setMenu(printMenu_);
    row->addWidget(cautionPill_);
    row->addSpacing(6);
    row->addWidget(print_);
    return header;
}

void MainWindow::addUnits(QHBoxLayout* row)
{
    auto* group = new QButtonGroup(this);
    const QString names[] = {tr("mm"), tr("in"), tr("1/64")},
                  spoken[] = {tr("Millimeters"), tr("Decimal inches"), tr("Fractions of an inch")};
    for (int i = 0; i < 3; ++i) {
        auto* unit = new QToolButton;
        unit->setText(names[i]);
        unit->setAccessibleName(spoken[i]);
        unit->setToolTip(spoken[i]);
        unit->setCheckable(true);
        unit->setMinimumWidth(54);
        group->addButton(unit);
        connect(unit, &QToolButton::clicked, this, [this, i] {
            QSettings().setValue("unit", i);
            takePreferences();
        });
        units_ << unit;
        row->addWidget(unit);
    }
}

/// The name gets what the menus, units and buttons leave of the header; in a narrow window undo and redo are in their
/// menu alone.
void MainWindow::fitHeader()
{
    const bool narrow = width() < 1060;
    undo_->setVisible(!narrow);
    redo_->setVisible(!narrow);
    edited_->setVisible(!narrow);  // the window's title has a mark too
    edited_->setMinimumWidth(64);  // so that nothing beside it jumps
    const int room = std::clamp(width() - (narrow ? 770 : 830), 60, 300);
    title_->setText(
        QFontMetrics(title_->font()).elidedText(QString::fromStdString(doc_.piece().name), Qt::ElideRight, room));
}

}  // namespace vl::app
