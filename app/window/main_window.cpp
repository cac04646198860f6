#include "app/window/main_window.h"

#include "app/access/readable.h"
#include "app/fields/choose.h"
#include "app/fields/input_guard.h"
#include "app/language.h"
#include "app/solid/solid_view.h"
#include "app/stages/build/build_stage.h"
#include "app/stages/cut/cut_stage.h"
#include "app/stages/finish/finish_stage.h"
#include "app/stages/glue/glue_stage.h"
#include "app/stages/log/log_stage.h"
#include "app/stages/page_switch.h"
#include "app/stages/shape/shape_stage.h"
#include "app/stages/turn/turn_stage.h"
#include "app/theme/theme.h"
#include "app/window/bed.h"
#include "app/window/caution_panel.h"
#include "app/window/dialogs.h"
#include "app/window/machines_dialog.h"
#include "app/window/preferences.h"
#include "app/window/start_page.h"

#include <QApplication>
#include <QCloseEvent>
#include <QDesktopServices>
#include <QFileDialog>
#include <QPushButton>
#include <QSettings>
#include <QSplitter>
#include <QStackedWidget>
#include <QTextDocumentFragment>
#include <QTimer>

namespace vl::app {

FileAsker FileAsker::dialogs()
{
    return {[](QWidget* parent, const QString& title, const QString& filter) {
                return QFileDialog::getOpenFileName(parent, title, {}, filter);
            },
            [](QWidget* parent, const QString& title, const QString& suggested, const QString& filter) {
                return QFileDialog::getSaveFileName(parent, title, suggested, filter);
            },
            &vl::app::choose, [](const QUrl& place) { QDesktopServices::openUrl(place); }};
}

MainWindow::~MainWindow()
{
    // The views look at the document and the history tells the window: both must be silent before members go.
    doc_.disconnect();
    doc_.history().disconnect();
    delete keeper_;
    delete drafts_;
    delete takeCentralWidget();
}

MainWindow::MainWindow(const QString& dataFolder, FileAsker asker, QWidget* parent)
    : QMainWindow(parent), dataFolder_(dataFolder), ask_(std::move(asker))
{
    installLanguage();
    InputGuard::install();
    installReaders();
    // The style sheet comes last: laid over what is there already it is worked out once, not with every widget.
    const bool first = QApplication::topLevelWidgets().size() <= 1;
    setTheme(Preferences::stored().dark);
    if (first) qApp->setStyleSheet({});
    takePreferences();
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
        if (mayDiscard()) tryTo([&] { openPiece(piece, {}); });
    });
    connect(start_, &StartPage::demo, this, [this](const QString& name) {
        if (mayDiscard()) openDemo(name);
    });
    connect(start_, &StartPage::forget, this, [this](const QString& path) {
        QFile::remove(path);
        QTimer::singleShot(0, this, &MainWindow::showStart);  // its button is still in its press
    });
    connect(start_, &StartPage::back, this, [this] { pages_->setCurrentIndex(1); });
    connect(start_, &StartPage::open, this, [this](const QString& path) {
        const QString chosen = path.isEmpty() ? ask_.open(this, tr("Open a piece"), tr("Pieces (*.vlathe)")) : path;
        if (!chosen.isEmpty() && mayDiscard()) openPath(chosen);
    });
    connect(&doc_, &Document::changed, this, &MainWindow::refresh);
    connect(&doc_, &Document::pathChanged, this, &MainWindow::refresh);
    connect(&doc_, &Document::planningChanged, this, &MainWindow::refresh);
    connect(&doc_, &Document::refused, this, &MainWindow::say);
    connect(&doc_, &Document::selectionChanged, this, [this] { announceChosen(focusWidget()); });
    connect(&doc_.history(), &QUndoStack::indexChanged, this, &MainWindow::refresh);
    connect(&doc_, &Document::wantedChanged, this, &MainWindow::refresh);
    keeper_ = new ShopKeeper(doc_, dataFolder_, this);
    connect(keeper_, &ShopKeeper::said, this, &MainWindow::say);
    connect(keeper_, &ShopKeeper::clash, this, &MainWindow::settleClash);
    connect(keeper_, &ShopKeeper::troubleChanged, this, &MainWindow::showStanding);
    showIcons();
    placeWindow();
    setMinimumSize(QSize(900, 600).boundedTo(screen()->availableGeometry().size()));
    setAcceptDrops(true);
    keeper_->open();
    refresh();
    setStage(0);
    showStart();
    if (first) dressFirstPage();
}

/// Most of what there is is not seen yet: the first page has its style at once, everything behind it as soon as that
/// page is painted, or left.
void MainWindow::dressFirstPage()
{
    start_->setStyleSheet(theme().styleSheet());
    auto* painted = new QTimer(this);
    painted->setSingleShot(true);
    const auto dressAll = [this, painted] {
        painted->stop();
        pages_->disconnect(painted);
        painted->deleteLater();
        start_->setStyleSheet({});
        qApp->setStyleSheet(theme().styleSheet());
    };
    connect(painted, &QTimer::timeout, painted, dressAll);
    connect(pages_, &QStackedWidget::currentChanged, painted, dressAll);
    painted->start(100);
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
            previewPacket();
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
    connect(message_, &QLabel::linkActivated, this, [this](const QString& link) {
        if (ask_.show) ask_.show(QUrl(link));
    });
    standing_ = new QLabel;
    standing_->setObjectName("standing");
    standing_->setProperty("role", "warn");
    standing_->setWordWrap(true);
    standing_->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    standing_->hide();
    connect(standing_, &QLabel::linkActivated, &doc_, &Document::giveUp);
    patience_.setSingleShot(true);
    patience_.setInterval(500);
    connect(&patience_, &QTimer::timeout, this, &MainWindow::showStanding);
    connect(&doc_, &Document::planningChanged, this, [this] {
        if (!doc_.planning())
            patience_.stop();
        else if (!patience_.isActive())
            patience_.start();
        showStanding();
    });
    words->addWidget(summary_);
    words->addWidget(standing_);
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

void MainWindow::showMeasure(const std::string& name)
{
    const auto all = choicesOf<MapKind>();
    const auto it = std::ranges::find_if(all, [&](const Choice& c) { return name == c.name; });
    if (it == all.end()) return;
    measure_->setCurrentIndex(static_cast<int>(it - all.begin()) + 1);
    emit measure_->activated(measure_->currentIndex());
}

void MainWindow::showPage(const QString& name)
{
    for (PageSwitch* pages : lanes_->currentWidget()->findChildren<PageSwitch*>()) pages->show(name);
}

bool MainWindow::goTo(const QString& stage)
{
    if (stage.compare("start", Qt::CaseInsensitive) == 0) {
        showStart();
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
    const QString name = QString::fromStdString(doc_.piece().name);
    fitHeader();
    title_->setAccessibleName(tr("Name of the piece: %1").arg(name));
    edited_->setText(doc_.planning()         ? tr("planning …")
                     : doc_.edited()         ? tr("edited")
                     : keeper_->isLent()     ? doc_.path().isEmpty() ? tr("sample") : tr("lent workshop")
                         : doc_.path().isEmpty() ? QString()
                                             : tr("saved"));
    edited_->setToolTip(keeper_->isLent() ? lentWords() : QString());
    setWindowTitle(tr("%1%2 – Vivid Lathe").arg(doc_.edited() ? QStringLiteral("• ") : QString(), name));
    undoAction_->setEnabled(doc_.history().canUndo());
    redoAction_->setEnabled(doc_.history().canRedo());
    undoAction_->setText(tr("Undo %1").arg(doc_.history().undoText()).trimmed());
    redoAction_->setText(tr("Redo %1").arg(doc_.history().redoText()).trimmed());
    units_[static_cast<int>(doc_.style().unit)]->setChecked(true);
    units_[2]->setText(QStringLiteral("1/%1").arg(doc_.style().denominator));
    const auto count = plan.cautions.size();
    cautionPill_->setText(count == 0 ? tr("no cautions") : tr("%n cautions", nullptr, static_cast<int>(count)));
    cautionPill_->setIcon(count ? icon("triangle-alert", plan.mustStop() ? theme().stop : theme().warn)
                                : icon("check", theme().quiet));
    const char* level = count == 0 ? "none" : plan.mustStop() ? "stop" : "care";
    if (cautionPill_->property("level").toByteArray() != level) {
        cautionPill_->setProperty("level", level);
        cautionPill_->style()->unpolish(cautionPill_);
        cautionPill_->style()->polish(cautionPill_);
    }
    int rings = 0, segments = 0;
    std::set<const Species*> woods;
    for (const BuiltLayer& l : plan.assembly.layers) {
        rings += l.segmented;
        segments += l.segmented ? l.count() : 0;
        woods.insert(l.woods.begin(), l.woods.end());
    }
    const int layers = static_cast<int>(plan.assembly.layers.size());
    const QString made =
        rings ? tr("%n rings", nullptr, rings) + QStringLiteral(" · ") + tr("%n segments", nullptr, segments)
              : tr("%n layers", nullptr, layers);
    summary_->setText(semibold(QStringLiteral("<b>%1</b><br>%2 · %3"))
                          .arg(made, tr("%n woods", nullptr, static_cast<int>(woods.size())),
                               tr("%1 rough")
                                   .arg(QString::fromStdString(
                                       figureText(FigureId::RoughWeight, doc_.piece(), plan, -1, doc_.style())))));
}

/// What stays on the screen until it is over: a plan that takes its time, a shop that is in no book.
void MainWindow::showStanding()
{
    QString words;
    if (doc_.planning() && !patience_.isActive())
        words = tr("The plan is being made. %1")
                    .arg(QStringLiteral("<a style='color:%1' href='#'>%2</a>")
                             .arg(theme().accent.name(), tr("Take the change back")));
    else if (!keeper_->trouble().isEmpty())
        words = tr("The shop book cannot be written: %1. It is tried again.").arg(keeper_->trouble().toHtmlEscaped());
    standing_->setText(words);
    standing_->setToolTip(QTextDocumentFragment::fromHtml(words).toPlainText());
    standing_->setVisible(!words.isEmpty() && message_->text().isEmpty());
    summary_->setVisible(words.isEmpty() && message_->text().isEmpty());
}

void MainWindow::say(const QString& words)
{
    message_->setText(words);
    message_->setToolTip(QTextDocumentFragment::fromHtml(words).toPlainText());
    message_->setVisible(!words.isEmpty());
    showStanding();
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
    ShopDialog dialog(doc_, keeper_->isLent() ? lentWords() : QString(), this);
    dialog.exec();
}

void MainWindow::editMachines()
{
    MachinesDialog dialog(doc_, this);
    dialog.exec();
}

void MainWindow::setDark(bool dark)
{
    setTheme(dark);
    showIcons();
    refresh();
    for (QWidget* widget : findChildren<QWidget*>()) widget->update();
}

/// Puts what is chosen in the preferences into force.
void MainWindow::takePreferences()
{
    const Preferences p = Preferences::stored();
    doc_.setStyle({static_cast<LengthStyle::Unit>(p.unit), p.denominator, false});
    doc_.setSnap(p.snapMetric, mmPerInch / p.snapImperial);
    if (theme().dark != p.dark) setDark(p.dark);
    doc_.setCurrency(p.currency);
}

/// The icons, in the theme's colors.
void MainWindow::showIcons()
{
    undoAction_->setIcon(icon("undo-2", theme().text));
    redoAction_->setIcon(icon("redo-2", theme().text));
    next_->setIcon(icon("chevron-right", theme().accent));
}

void MainWindow::resizeEvent(QResizeEvent* event)
{
    QMainWindow::resizeEvent(event);
    fitHeader();
}

/// Where it was, or as large as is good, within the screen.
void MainWindow::placeWindow()
{
    const QSettings settings;
    const QRect room = screen()->availableGeometry();
    resize(QSize(1280, 800).boundedTo(room.size()));
    if (settings.contains("window/geometry")) restoreGeometry(settings.value("window/geometry").toByteArray());
    if (!room.intersects(geometry())) move(room.topLeft());
    for (int i = 0; i < splitters_.size(); ++i)
        splitters_[i]->restoreState(settings.value(QStringLiteral("window/splitter%1").arg(i)).toByteArray());
}

void MainWindow::keepPlace() const
{
    QSettings settings;
    settings.setValue("window/geometry", saveGeometry());
    for (int i = 0; i < splitters_.size(); ++i)
        settings.setValue(QStringLiteral("window/splitter%1").arg(i), splitters_[i]->saveState());
}

void MainWindow::closeEvent(QCloseEvent* event)
{
    if (mayDiscard() && mayLeaveBook()) {
        // Put away on purpose: no draft of it is wanted.
        doc_.history().clear();
        keepPlace();
        event->accept();
    } else
        event->ignore();
}

/// Whether the program may end with the shop as it is in its book.
bool MainWindow::mayLeaveBook()
{
    return keeper_->keepNow() ||
           ask_.choose(this,
                       tr("The shop book cannot be written: %1. What was changed in the shop is lost "
                          "when the program ends now.")
                           .arg(keeper_->trouble()),
                       {tr("End all the same")}) == 0;
}

/// The keyboard goes round the panes: the drawing, the solid, what is chosen, the bed, the header.
void MainWindow::nextPane(bool back)
{
    const QList<QWidget*> panes{lanes_->currentWidget(), solid_, panels_->currentWidget(), bed_, title_};
    int at = -1;
    for (int i = 0; i < panes.size(); ++i)
        if (QWidget* has = focusWidget(); has && (panes[i] == has || panes[i]->isAncestorOf(has))) at = i;
    const int to = static_cast<int>((at + (back ? panes.size() - 1 : 1)) % panes.size());
    QWidget* target = panes[to];
    if (target->focusPolicy() == Qt::NoFocus)
        for (QWidget* w : target->findChildren<QWidget*>())
            if (w->isVisible() && w->isEnabled() && w->focusPolicy() & Qt::TabFocus) {
                target = w;
                break;
            }
    target->setFocus(Qt::TabFocusReason);
}

}  // namespace vl::app
