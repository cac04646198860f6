#include "app/window/main_window.h"

#include "app/solid/solid_view.h"
#include "app/stages/build/build_stage.h"
#include "app/stages/build/paint_panel.h"
#include "app/stages/cut/cut_stage.h"
#include "app/stages/glue/glue_book_dialog.h"
#include "app/stages/glue/glue_stage.h"
#include "app/stages/page_switch.h"
#include "app/stages/shape/shape_stage.h"
#include "app/stages/turn/turn_stage.h"
#include "app/theme/theme.h"
#include "app/window/bed.h"
#include "app/window/caution_panel.h"
#include "app/window/dialogs.h"
#include "app/window/start_page.h"

#include <QApplication>
#include <QButtonGroup>
#include <QCloseEvent>
#include <QFileDialog>
#include <QFileInfo>
#include <QMenu>
#include <QMessageBox>
#include <QPushButton>
#include <QSettings>
#include <QStackedWidget>
#include <QTimer>
#include <QToolButton>

namespace vl::app {

FileAsker FileAsker::dialogs()
{
    return {[](QWidget* parent, const QString& title, const QString& filter) {
                return QFileDialog::getOpenFileName(parent, title, {}, filter);
            },
            [](QWidget* parent, const QString& title, const QString& suggested, const QString& filter) {
                return QFileDialog::getSaveFileName(parent, title, suggested, filter);
            },
            [](QWidget* parent, const QString& words, const QStringList& ways) {
                QMessageBox box(QMessageBox::Question, QString(), words, QMessageBox::Cancel, parent);
                QList<QAbstractButton*> buttons;
                for (const QString& way : ways) buttons << box.addButton(way, QMessageBox::ActionRole);
                box.exec();
                return static_cast<int>(buttons.indexOf(box.clickedButton()));
            }};
}

MainWindow::~MainWindow()
{
    // The views look at the document and the history tells the window: both must be silent before members go.
    doc_.disconnect();
    doc_.history().disconnect();
    delete drafts_;
    delete takeCentralWidget();
}

MainWindow::MainWindow(const QString& dataFolder, FileAsker asker, QWidget* parent)
    : QMainWindow(parent), dataFolder_(dataFolder), ask_(std::move(asker))
{
    const QSettings settings;
    setTheme(settings.value("dark", false).toBool());
    doc_.setStyle({static_cast<LengthStyle::Unit>(std::clamp(settings.value("unit", 0).toInt(), 0, 2)),
                   std::clamp(settings.value("denominator", 64).toInt(), 2, 128)});
    start_ = new StartPage;
    drafts_ = new Drafts(doc_, dataFolder_ + "/drafts", this);
    connect(drafts_, &Drafts::failed, this,
            [this](const QString& why) { say(tr("No draft can be kept: %1").arg(why)); });

    auto* bench = new QWidget;
    bench->setObjectName("bench");
    auto* column = new QVBoxLayout(bench);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addWidget(makeHeader());
    column->addWidget(makeBody(), 1);
    column->addWidget(makeFooter());
    pages_ = new QStackedWidget;
    pages_->addWidget(start_);
    pages_->addWidget(bench);
    setCentralWidget(pages_);
    cautions_ = new CautionPanel(doc_, bench);

    connect(start_, &StartPage::start, this, [this](const Piece& piece) {
        if (!mayDiscard()) return;
        leaveSample();
        openPiece(piece, {});
    });
    connect(start_, &StartPage::demo, this, [this](const QString& name) {
        if (mayDiscard()) openDemo(name);
    });
    connect(start_, &StartPage::back, this, [this] { pages_->setCurrentIndex(1); });
    connect(start_, &StartPage::open, this, [this](const QString& path) {
        const QString chosen = path.isEmpty() ? ask_.open(this, tr("Open a piece"), tr("Pieces (*.vlathe)")) : path;
        if (!chosen.isEmpty() && mayDiscard()) openPath(chosen);
    });
    connect(&doc_, &Document::changed, this, &MainWindow::refresh);
    connect(&doc_, &Document::pathChanged, this, &MainWindow::refresh);
    connect(&doc_, &Document::refused, this, &MainWindow::say);
    connect(&doc_.history(), &QUndoStack::indexChanged, this, &MainWindow::refresh);
    setWindowTitle(tr("Vivid Lathe"));
    resize(1280, 800);
    setMinimumSize(900, 600);
    start_->setRecent(recent());
    start_->setReturn(false);
    loadShop();
    refresh();
    setStage(0);
    pages_->setCurrentIndex(0);
}

QWidget* MainWindow::makeHeader()
{
    auto* header = new QWidget;
    header->setObjectName("header");
    header->setFixedHeight(48);
    auto* row = new QHBoxLayout(header);
    row->setContentsMargins(14, 0, 16, 0);
    auto tool = [&](const char* name, const QString& words, const QKeySequence& keys) {
        auto* button = new QToolButton;
        button->setIcon(icon(name, theme().text));
        button->setProperty("role", "link");
        button->setProperty("icon", name);
        button->setAccessibleName(words);
        button->setToolTip(keys.isEmpty() ? words : words + "  (" + keys.toString(QKeySequence::NativeText) + ")");
        if (!keys.isEmpty()) button->setShortcut(keys);
        return button;
    };
    auto* file = new QPushButton(tr("Piece"));
    file->setObjectName("menu");
    menu_ = new QMenu(file);
    file->setMenu(menu_);
    makeMenu();
    title_ = new QLabel;
    title_->setProperty("role", "title");
    edited_ = new QLabel(tr("edited"));
    edited_->setProperty("role", "quiet");
    row->addWidget(file);
    row->addSpacing(10);
    row->addWidget(title_);
    row->addSpacing(6);
    row->addWidget(edited_);
    row->addStretch(1);
    undo_ = tool("undo-2", tr("Undo"), QKeySequence::Undo);
    redo_ = tool("redo-2", tr("Redo"), QKeySequence::Redo);
    connect(undo_, &QToolButton::clicked, &doc_.history(), &QUndoStack::undo);
    connect(redo_, &QToolButton::clicked, &doc_.history(), &QUndoStack::redo);
    row->addWidget(undo_);
    row->addWidget(redo_);
    row->addSpacing(10);
    auto* group = new QButtonGroup(this);
    const LengthStyle styles[] = {
        {LengthStyle::Unit::Millimetre, 64}, {LengthStyle::Unit::Inch, 64}, {LengthStyle::Unit::Fraction, 64}};
    const QString names[] = {tr("mm"), tr("in"), tr("1/64")},
                  spoken[] = {tr("Millimetres"), tr("Decimal inches"), tr("Fractions of an inch")};
    for (int i = 0; i < 3; ++i) {
        auto* unit = new QToolButton;
        unit->setText(names[i]);
        unit->setAccessibleName(spoken[i]);
        unit->setToolTip(spoken[i]);
        unit->setCheckable(true);
        unit->setMinimumWidth(46);
        group->addButton(unit);
        connect(unit, &QToolButton::clicked, this, [this, style = styles[i]] {
            LengthStyle next = style;
            if (next.unit == LengthStyle::Unit::Fraction)
                next.denominator = QSettings().value("denominator", 64).toInt();
            QSettings().setValue("unit", static_cast<int>(next.unit));
            doc_.setStyle(next);
        });
        units_ << unit;
        row->addWidget(unit);
    }
    // The finest fraction is chosen from the third button's own menu.
    units_[2]->setContextMenuPolicy(Qt::CustomContextMenu);
    connect(units_[2], &QWidget::customContextMenuRequested, this, [this](const QPoint& at) {
        QMenu denominators(this);
        for (const int n : {8, 16, 32, 64, 128})
            denominators.addAction(QStringLiteral("1/%1").arg(n), this, [this, n] {
                QSettings().setValue("denominator", n);
                doc_.setStyle({LengthStyle::Unit::Fraction, n});
            });
        denominators.exec(units_[2]->mapToGlobal(at));
    });
    row->addSpacing(10);
    theme_ = tool("moon", tr("Light or dark"), {});
    connect(theme_, &QToolButton::clicked, this, [this] {
        setDark(!theme().dark);
        QSettings().setValue("dark", theme().dark);
    });
    row->addWidget(theme_);
    row->addStretch(1);
    cautionPill_ = new QPushButton;
    cautionPill_->setProperty("role", "caution");
    cautionPill_->setObjectName("cautions");
    connect(cautionPill_, &QPushButton::clicked, this,
            [this] { cautions_->isVisible() ? cautions_->hide() : cautions_->openAt({}); });
    print_ = new QPushButton(tr("Print packet"));
    print_->setProperty("role", "primary");
    print_->setObjectName("print");
    auto* printMenu = new QMenu(print_);
    printMenu->addAction(tr("PDF on A4 paper …"), QKeySequence::Print, this, [this] { printPacket(false); });
    printMenu->addAction(tr("PDF on Letter paper …"), this, [this] { printPacket(true); });
    printMenu->addAction(tr("To a printer …"), this, &MainWindow::sendToPrinter);
    print_->setMenu(printMenu);
    row->addWidget(cautionPill_);
    row->addSpacing(6);
    row->addWidget(print_);
    return header;
}

void MainWindow::makeMenu()
{
    menu_->addAction(tr("New …"), QKeySequence::New, this, [this] { goTo("start"); });
    menu_->addAction(tr("Open …"), QKeySequence::Open, this, [this] { emit start_->open({}); });
    recentMenu_ = menu_->addMenu(tr("Lately opened"));
    connect(recentMenu_, &QMenu::aboutToShow, this, [this] {
        recentMenu_->clear();
        for (const QString& path : recent())
            recentMenu_->addAction(QFileInfo(path).completeBaseName(), this, [this, path] { emit start_->open(path); })
                ->setToolTip(path);
        if (recentMenu_->isEmpty()) recentMenu_->addAction(tr("none yet"))->setEnabled(false);
    });
    menu_->addSeparator();
    menu_->addAction(tr("Save"), QKeySequence::Save, this, &MainWindow::save);
    menu_->addAction(tr("Save as …"), QKeySequence::SaveAs, this, &MainWindow::saveAs);
    menu_->addAction(tr("Export DXF, SVG, CSV or ICS …"), QKeySequence(tr("Ctrl+E")), this, &MainWindow::exportFile);
    menu_->addSeparator();
    menu_->addAction(tr("Name and notes …"), QKeySequence(tr("F2")), this, &MainWindow::editName);
    menu_->addAction(tr("The shop …"), QKeySequence(tr("F3")), this, &MainWindow::editShop);
    menu_->addSeparator();
    menu_->addAction(tr("Quit"), QKeySequence::Quit, this, &QWidget::close);
    // Shortcuts of a button's menu work only when the window knows its actions.
    addActions(menu_->actions());
}

QWidget* MainWindow::makeBody()
{
    auto* body = new QWidget;
    auto* row = new QHBoxLayout(body);
    row->setContentsMargins(12, 12, 12, 12);
    row->setSpacing(12);
    auto panel = [] {
        auto* frame = new QFrame;
        frame->setObjectName("panel");
        auto* column = new QVBoxLayout(frame);
        column->setContentsMargins(1, 1, 1, 1);
        column->setSpacing(0);
        return frame;
    };
    auto* left = panel();
    lanes_ = new QStackedWidget;
    left->layout()->addWidget(lanes_);
    row->addWidget(left, 1);

    auto* right = new QVBoxLayout;
    right->setSpacing(12);
    auto* solidPanel = panel();
    solid_ = new SolidView(doc_);
    auto* tools = new QHBoxLayout;
    tools->setContentsMargins(12, 4, 6, 0);
    auto* solidTitle = new QLabel(tr("SOLID"));
    solidTitle->setProperty("role", "heading");
    tools->addWidget(solidTitle);
    tools->addStretch();
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
    toggle(tr("blank"), tr("Show the glued blank"), false, [scene](bool on) { scene->setBlank(on); });
    connect(scene, &SolidScene::optionsChanged, this, [scene, up, cut] {
        up->setChecked(scene->camera.upright);
        cut->setChecked(scene->cutAway);
    });
    static_cast<QVBoxLayout*>(solidPanel->layout())->addLayout(tools);
    solidPanel->layout()->addWidget(solid_);
    solidPanel->setMinimumHeight(250);
    auto* measures = panel();
    panels_ = new QStackedWidget;
    measures->layout()->addWidget(panels_);
    right->addWidget(solidPanel, 10);
    right->addWidget(measures, 12);
    auto* rightBox = new QWidget;
    rightBox->setFixedWidth(376);
    right->setContentsMargins(0, 0, 0, 0);
    rightBox->setLayout(right);
    row->addWidget(rightBox);

    auto* build = new BuildStage(doc_);
    auto* cutting = new CutStage(doc_);
    auto* glue = new GlueStage(doc_);
    connect(build, &BuildStage::pictureWanted, this, [this](PaintPanel* paint) {
        if (const QString path = ask_.open(this, tr("A picture to lay on the skin"), tr("Pictures (*.png *.jpg)"));
            !path.isEmpty())
            paint->layPicture(path);
    });
    connect(cutting, &CutStage::importWanted, this, &MainWindow::importRack);
    connect(cutting, &CutStage::exportWanted, this, &MainWindow::exportRack);
    connect(glue, &GlueStage::calendarWanted, this, &MainWindow::exportCalendar);
    connect(glue, &GlueStage::glueBookWanted, this, [this] { GlueBookDialog(doc_, this).exec(); });
    connect(glue, &GlueStage::shopWanted, this, &MainWindow::editShop);
    stages_ = {new ShapeStage(doc_), build, cutting, glue, new TurnStage(doc_)};
    for (Stage* stage : stages_) {
        lanes_->addWidget(stage);
        panels_->addWidget(stage->panel());
        connect(stage, &Stage::cautionClicked, this, [this](const QString& id) { cautions_->openAt(id); });
    }
    return body;
}

QWidget* MainWindow::makeFooter()
{
    auto* footer = new QWidget;
    footer->setObjectName("footer");
    footer->setFixedHeight(60);
    auto* row = new QHBoxLayout(footer);
    row->setContentsMargins(14, 0, 16, 0);
    bed_ = new Bed(stageNames());
    connect(bed_, &Bed::chosen, this, &MainWindow::setStage);
    row->addWidget(bed_, 1);
    next_ = new QPushButton;
    next_->setObjectName("next");
    next_->setIcon(icon("chevron-right", theme().accent));
    next_->setLayoutDirection(Qt::RightToLeft);
    connect(next_, &QPushButton::clicked, this, [this] {
        if (bed_->current() + 1 < stages_.size())
            setStage(bed_->current() + 1);
        else
            printPacket(false);
    });
    row->addWidget(next_);
    row->addSpacing(10);
    auto* words = new QVBoxLayout;
    words->setSpacing(0);
    summary_ = new QLabel;
    summary_->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    message_ = new QLabel;
    message_->setProperty("role", "warn");
    message_->setWordWrap(true);
    message_->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    message_->hide();
    words->addWidget(summary_);
    words->addWidget(message_);
    auto* box = new QWidget;
    words->setContentsMargins(0, 2, 0, 2);
    box->setLayout(words);
    box->setFixedWidth(330);
    row->addWidget(box);
    return footer;
}

QStringList MainWindow::stageNames() const
{
    QStringList names;
    for (const Stage* stage : stages_) names << stage->name();
    return names;
}

void MainWindow::setStage(int index)
{
    lanes_->setCurrentIndex(index);
    panels_->setCurrentIndex(index);
    bed_->setCurrent(index);
    const bool last = index + 1 >= stages_.size();
    next_->setText(last ? tr("Print packet") : tr("Next: %1").arg(stages_[index + 1]->name()));
    stages_[index]->enter();
}

void MainWindow::showPage(const QString& name)
{
    for (PageSwitch* pages : lanes_->currentWidget()->findChildren<PageSwitch*>()) pages->show(name);
}

bool MainWindow::goTo(const QString& stage)
{
    if (stage.compare("start", Qt::CaseInsensitive) == 0) {
        start_->setRecent(recent());
        start_->setReturn(everOpened_);
        pages_->setCurrentIndex(0);
        return true;
    }
    for (int i = 0; i < stages_.size(); ++i)
        if (stages_[i]->name().compare(stage, Qt::CaseInsensitive) == 0) {
            pages_->setCurrentIndex(1);
            setStage(i);
            return true;
        }
    return false;
}

void MainWindow::refresh()
{
    const Plan& plan = doc_.plan();
    title_->setText(QString::fromStdString(doc_.piece().name));
    edited_->setVisible(doc_.edited());
    undo_->setEnabled(doc_.history().canUndo());
    redo_->setEnabled(doc_.history().canRedo());
    undo_->setToolTip(tr("Undo %1").arg(doc_.history().undoText()));
    redo_->setToolTip(tr("Redo %1").arg(doc_.history().redoText()));
    units_[static_cast<int>(doc_.style().unit)]->setChecked(true);
    units_[2]->setText(QStringLiteral("1/%1").arg(doc_.style().denominator));
    const auto count = plan.cautions.size();
    cautionPill_->setText(count == 0 ? tr("no cautions") : count == 1 ? tr("1 caution") : tr("%1 cautions").arg(count));
    cautionPill_->setIcon(count ? icon("triangle-alert", plan.mustStop() ? theme().stop : theme().warn)
                                : icon("check", theme().warn));
    int rings = 0, segments = 0;
    std::set<const Species*> woods;
    for (const BuiltLayer& l : plan.assembly.layers) {
        rings += l.segmented;
        segments += l.segmented ? l.count() : 0;
        woods.insert(l.woods.begin(), l.woods.end());
    }
    summary_->setText(
        tr("<b>%1 rings · %2 segments</b><br>%3 woods · %4 rough")
            .arg(rings)
            .arg(segments)
            .arg(woods.size())
            .arg(QString::fromStdString(figureText(FigureId::RoughWeight, doc_.piece(), plan, -1, doc_.style()))));
}

void MainWindow::say(const QString& words)
{
    message_->setText(words);
    message_->setToolTip(words);
    message_->setVisible(!words.isEmpty());
    summary_->setVisible(words.isEmpty());
    start_->say(words);
    if (!words.isEmpty())
        QTimer::singleShot(9000, this, [this, words] {
            if (message_->text() == words) say({});
        });
}

QString MainWindow::message() const { return message_->text(); }

void MainWindow::tryTo(const std::function<void()>& action)
{
    try {
        action();
    } catch (const std::exception& e) {
        say(QString::fromStdString(e.what()));
    }
}

void MainWindow::editName()
{
    PieceDialog dialog(doc_, this);
    dialog.exec();
}

void MainWindow::editShop()
{
    ShopDialog dialog(doc_, this);
    dialog.exec();
}

void MainWindow::setDark(bool dark)
{
    setTheme(dark);
    for (QToolButton* button : findChildren<QToolButton*>())
        if (const QByteArray name = button->property("icon").toByteArray(); !name.isEmpty())
            button->setIcon(icon(name.constData(), theme().text));
    theme_->setIcon(icon(dark ? "sun" : "moon", theme().text));
    next_->setIcon(icon("chevron-right", theme().accent));
    refresh();
    for (QWidget* widget : findChildren<QWidget*>()) widget->update();
}

void MainWindow::closeEvent(QCloseEvent* event)
{
    if (mayDiscard()) {
        // Put away on purpose: no draft of it is wanted.
        doc_.history().clear();
        event->accept();
    } else
        event->ignore();
}

void MainWindow::keyPressEvent(QKeyEvent* event)
{
    if (event->modifiers() == Qt::ControlModifier && event->key() >= Qt::Key_1 &&
        event->key() < Qt::Key_1 + stages_.size())
        goTo(stages_[event->key() - Qt::Key_1]->name());
    else if (event->modifiers() == Qt::ControlModifier && event->key() == Qt::Key_A && pages_->currentIndex() == 1) {
        Selection all = doc_.selection();
        for (int i = 0; i < static_cast<int>(doc_.piece().layers.size()); ++i) all.layers.insert(i);
        doc_.select(all);
    } else
        QMainWindow::keyPressEvent(event);
}

}  // namespace vl::app
