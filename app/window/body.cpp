// The lanes at the left, the solid and its measures at the right, and the stages in both.
#include "app/language.h"
#include "app/solid/film_bar.h"
#include "app/solid/solid_view.h"
#include "app/stages/build/as_built_dialog.h"
#include "app/stages/build/build_stage.h"
#include "app/stages/build/paint_panel.h"
#include "app/stages/cut/cut_stage.h"
#include "app/stages/finish/finish_stage.h"
#include "app/stages/glue/glue_book_dialog.h"
#include "app/stages/glue/glue_stage.h"
#include "app/stages/log/log_stage.h"
#include "app/stages/shape/shape_stage.h"
#include "app/stages/turn/turn_stage.h"
#include "app/window/caution_panel.h"
#include "app/window/main_window.h"

#include <QComboBox>
#include <QFrame>
#include <QLabel>
#include <QSplitter>
#include <QStackedWidget>
#include <QToolButton>
#include <QVBoxLayout>

namespace vl::app {

namespace {

QFrame* panel()
{
    auto* frame = new QFrame;
    frame->setObjectName("panel");
    auto* column = new QVBoxLayout(frame);
    column->setContentsMargins(1, 1, 1, 1);
    column->setSpacing(0);
    return frame;
}

}  // namespace

/// The solid with its film, what it shows, and how.
QWidget* MainWindow::makeSolidPanel()
{
    auto* solidPanel = panel();
    solid_ = new SolidView(doc_);
    auto* tools = new QHBoxLayout;
    tools->setContentsMargins(12, 4, 6, 0);
    auto* solidTitle = new QLabel(tr("SOLID"));
    solidTitle->setProperty("role", "heading");
    tools->addWidget(solidTitle);
    tools->addStretch();
    auto* measure = new QComboBox;
    measure->setObjectName("measure");
    measure->setAccessibleName(tr("What the solid shows"));
    measure->setToolTip(tr("The wood, or a measure on its surface with its worst place ringed"));
    measure->addItem(tr("wood"));
    for (const Choice& c : choicesOf<MapKind>()) measure->addItem(wordsOf(c));
    measure->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    measure->setMinimumContentsLength(6);
    tools->addSpacing(6);
    tools->addWidget(measure);
    tools->addSpacing(6);
    connect(measure, &QComboBox::activated, this, [this](int k) {
        solid_->scene().setMap(k > 0 ? std::optional(static_cast<MapKind>(k - 1)) : std::nullopt);
    });
    measure_ = measure;
    auto toggle = [&](const QString& words, const QString& tip, bool on, auto&& act) {
        auto* button = new QToolButton;
        button->setText(words);
        button->setToolTip(tip);
        button->setAccessibleName(tip);
        button->setProperty("role", "toggle");
        button->setCheckable(true);
        button->setChecked(on);
        connect(button, &QToolButton::toggled, this, act);
        tools->addWidget(button);
        return button;
    };
    SolidScene* scene = &solid_->scene();
    auto* up = toggle(tr("stand up"), tr("Stand the piece up (U)"), true, [scene](bool on) { scene->setUpright(on); });
    auto* cut =
        toggle(tr("cut away"), tr("Cut the near half away (C)"), false, [scene](bool on) { scene->setCutAway(on); });
    auto* blank = toggle(tr("blank"), tr("Show the glued blank"), false, [scene](bool on) { scene->setBlank(on); });
    solidToggles_ = {up, cut, blank};
    connect(scene, &SolidScene::optionsChanged, this, [scene, up, cut] {
        up->setChecked(scene->camera.upright);
        cut->setChecked(scene->cutAway);
    });
    static_cast<QVBoxLayout*>(solidPanel->layout())->addLayout(tools);
    solidPanel->layout()->addWidget(solid_);
    solidPanel->layout()->addWidget(new FilmBar(doc_, *scene));
    solidPanel->setMinimumHeight(150);
    return solidPanel;
}

void MainWindow::makeStages()
{
    auto* shape = new ShapeStage(doc_);
    auto* build = new BuildStage(doc_);
    auto* cutting = new CutStage(doc_);
    auto* glue = new GlueStage(doc_);
    connect(build, &BuildStage::pictureWanted, this, [this](PaintPanel* paint) {
        if (const QString path = ask_.open(this, tr("A picture to lay on the skin"), tr("Pictures (*.png *.jpg)"));
            !path.isEmpty())
            paint->layPicture(path);
    });
    connect(shape, &ShapeStage::drawingWanted, this, [this, shape] { takeDrawing(*shape); });
    connect(shape, &ShapeStage::pictureWanted, this, &MainWindow::takePicture);
    connect(cutting, &CutStage::importWanted, this, &MainWindow::importRack);
    connect(cutting, &CutStage::exportWanted, this, &MainWindow::exportRack);
    connect(glue, &GlueStage::calendarWanted, this, &MainWindow::exportCalendar);
    connect(glue, &GlueStage::glueBookWanted, this, [this] { GlueBookDialog(doc_, this).exec(); });
    connect(glue, &GlueStage::shopWanted, this, &MainWindow::editShop);
    auto* log = new LogStage(doc_);
    connect(log, &LogStage::exportWanted, this, &MainWindow::exportLog);
    connect(log, &LogStage::labelWanted, this, &MainWindow::printLabel);
    connect(log, &LogStage::photoWanted, this, &MainWindow::addPhoto);
    stages_ = {shape, build, cutting, glue, new TurnStage(doc_), new FinishStage(doc_), log};
    for (Stage* stage : stages_) {
        lanes_->addWidget(stage);
        panels_->addWidget(stage->panel());
        connect(stage, &Stage::cautionClicked, this, [this](const QString& id) { cautions_->openAt(id); });
        connect(stage, &Stage::measureWanted, this, [this](const Measured& m) { AsBuiltDialog(doc_, m, this).exec(); });
    }
}

QWidget* MainWindow::makeBody()
{
    // The right side can be made wider, the solid higher; both are remembered.
    auto* body = new QWidget;
    auto* row = new QHBoxLayout(body);
    row->setContentsMargins(12, 12, 12, 12);
    auto* across = new QSplitter(Qt::Horizontal);
    row->addWidget(across);
    auto* left = panel();
    lanes_ = new QStackedWidget;
    left->layout()->addWidget(lanes_);
    across->addWidget(left);

    auto* right = new QSplitter(Qt::Vertical);
    auto* solidPanel = makeSolidPanel();
    auto* measures = panel();
    panels_ = new QStackedWidget;
    measures->layout()->addWidget(panels_);
    measures->setMinimumHeight(180);
    right->addWidget(solidPanel);
    right->addWidget(measures);
    right->setMinimumWidth(366);
    across->addWidget(right);
    splitters_ = {across, right};
    for (QSplitter* splitter : splitters_) {
        splitter->setHandleWidth(12);
        splitter->setChildrenCollapsible(false);
    }
    across->setStretchFactor(0, 1);
    across->setStretchFactor(1, 0);
    across->setSizes({868, 376});
    right->setStretchFactor(0, 2);
    right->setStretchFactor(1, 3);
    right->setSizes({300, 356});
    makeStages();
    return body;
}

}  // namespace vl::app
