#include "app/stages/glue/glue_stage.h"

#include "app/stages/glue/recipe_view.h"
#include "app/stages/glue/timetable.h"
#include "app/stages/page_switch.h"
#include "app/theme/theme.h"
#include "core/plan/progress.h"
#include "core/plan/schedule/session.h"
#include "report/type.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDateTimeEdit>
#include <QListWidget>
#include <QLocale>
#include <QPushButton>
#include <QSignalBlocker>

#include <cmath>

namespace vl::app {

GlueStage::GlueStage(Document& document, QWidget* parent) : Stage(document, tr("Glue"), parent)
{
    timetable_ = new Timetable(document);
    auto* pages = new PageSwitch;
    pages->add(tr("timetable"), timetable_, false);
    pages->add(tr("recipe"), new RecipeView(document));
    pages->addTool(tr("−"), tr("Zoom the timetable out"), [this] { timetable_->zoom(0.8); });
    pages->addTool(tr("+"), tr("Zoom the timetable in"), [this] { timetable_->zoom(1.25); });
    pages->addTool(tr("all of it"), tr("Show the whole timetable (Ctrl+0)"), [this] { timetable_->zoom(0); });
    pages->addTool(tr("next session"), tr("Show what is done on the next day of work"),
                   [this] { timetable_->showSession(); });
    addLane(pages, 3);
    list_ = new QListWidget;
    list_->setAccessibleName(tr("Steps in order"));
    list_->setUniformItemSizes(true);
    list_->setFrameShape(QFrame::NoFrame);
    addLane(list_, 2);
    connect(list_, &QListWidget::currentRowChanged, this, [this](int row) {
        if (row < 0) return;
        const Step& step = doc_.plan().assembly.recipe[doc_.plan().schedule.order[static_cast<size_t>(row)]];
        if (step.layer >= 0) doc_.selectLayer(step.layer);
        Selection s = doc_.selection();
        s.step = step.id;
        doc_.select(s);
    });

    heading(tr("CLOSING A RING"));
    const auto choices = [](auto& p) -> auto& { return p.choices; };
    choiceRow(&Choices::closing, choices);
    choiceRow(&Choices::sections, choices);
    choiceRow(&Choices::stacking, choices);
    choiceRow(&Choices::holding, choices);
    choiceRow(&Choices::ends, choices);
    fully_ = new QCheckBox(wordsOf(fieldOf(&Choices::curedFully)));
    addToPanel(fully_);
    connect(fully_, &QCheckBox::clicked, this,
            [this](bool on) { edit(tr("how far rings cure"), [on](Piece& p) { p.choices.curedFully = on; }); });
    addStep();
    addWhen();
    heading(tr("ALTOGETHER"));
    figure(FigureId::WorkTime, tr("Work"), false);
    figure(FigureId::TotalTime, tr("Start to finish"), false);
    auto* care = new QLabel(tr("Glue and finish give off fumes: air the room, and follow the maker's label. Spread "
                               "oily rags flat outdoors to dry; heaped, they can catch fire by themselves."));
    care->setWordWrap(true);
    care->setProperty("role", "quiet");
    addToPanel(care);
    endPanel();

    refresh();
}

QLabel* GlueStage::addLabel(const char* role)
{
    auto* label = new QLabel;
    label->setWordWrap(true);
    label->setTextInteractionFlags(Qt::TextSelectableByMouse);
    if (role) label->setProperty("role", role);
    addToPanel(label);
    return label;
}

void GlueStage::addStep()
{
    heading(tr("CHOSEN STEP"));
    title_ = addLabel("title");
    time_ = addLabel("quiet");
    how_ = addLabel();
    why_ = addLabel();
    needs_ = addLabel("quiet");
    glue_ = new QComboBox;
    glue_->setAccessibleName(tr("Glue of this joint"));
    addToPanel(glue_);
    connect(glue_, &QComboBox::activated, this, &GlueStage::takeGlue);
    trouble_ = addLabel("warn");
    advice_ = addLabel("quiet");
    auto* marks = new QHBoxLayout;
    done_ = new QPushButton(tr("Done"));
    done_->setObjectName("step-done");
    done_->setCheckable(true);
    free_ = new QPushButton(tr("Move back"));
    free_->setObjectName("step-free");
    marks->addWidget(done_);
    marks->addWidget(free_);
    addToPanel(marks);
    connect(done_, &QPushButton::clicked, this, &GlueStage::markDone);
    connect(free_, &QPushButton::clicked, this, [this] {
        edit(tr("move back"), [this](Piece& p) {
            std::erase_if(p.progress.moved, [this](const StepMoved& m) { return m.step == doc_.selection().step; });
        });
    });
}

void GlueStage::addWhen()
{
    heading(tr("WHEN"));
    dated_ = new QCheckBox(tr("Begin on"));
    begin_ = new QDateTimeEdit;
    begin_->setDisplayFormat(QStringLiteral("ddd d MMM yyyy hh:mm"));
    begin_->setCalendarPopup(true);
    begin_->setAccessibleName(tr("Begin on"));
    auto* when = new QHBoxLayout;
    when->addWidget(dated_);
    when->addWidget(begin_, 1);
    addToPanel(when);
    connect(dated_, &QCheckBox::clicked, this, [this](bool on) {
        edit(tr("date"), [&](Piece& p) {
            if (on)
                p.progress.start = doc_.now();
            else
                p.progress.start.reset();
        });
    });
    connect(begin_, &QDateTimeEdit::editingFinished, this, [this] {
        if (!doc_.piece().progress.start) return;
        const double to = static_cast<double>(QDate(1970, 1, 1).daysTo(begin_->date())) * 1440 +
                          begin_->time().msecsSinceStartOfDay() / 60000;
        edit(tr("date"), [to](Piece& p) { p.progress.start = to; });
    });
    ready_ = addLabel();
    today_ = addLabel();
    auto* tools = new QHBoxLayout;
    auto* calendar = new QPushButton(tr("Calendar …"));
    calendar->setToolTip(tr("Writes the timetable as an iCalendar file"));
    auto* book = new QPushButton(tr("Glue book …"));
    book->setObjectName("glue-book");
    auto* shop = new QPushButton(tr("Hours, clamps …"));
    for (QPushButton* b : {calendar, book, shop}) tools->addWidget(b);
    addToPanel(tools);
    connect(calendar, &QPushButton::clicked, this, &GlueStage::calendarWanted);
    connect(book, &QPushButton::clicked, this, &GlueStage::glueBookWanted);
    connect(shop, &QPushButton::clicked, this, &GlueStage::shopWanted);
}

void GlueStage::zoom(double factor) { timetable_->zoom(factor); }

void GlueStage::refresh()
{
    refreshRows();
    refreshWhen();
    fully_->setChecked(doc_.piece().choices.curedFully);
    const QSignalBlocker quiet(list_);
    const Plan& plan = doc_.plan();
    QStringList lines;
    for (const size_t i : plan.schedule.order) {
        const Step& s = plan.assembly.recipe[i];
        const bool waits = s.waitMinutes > 0 && s.workMinutes == 0;
        lines << QStringLiteral("%1   %2").arg(lines.size() + 1, 4, 10, QChar(0x2007)).arg(said(s.title)) +
                     (waits ? tr("  ·  wait %1 min").arg(std::lround(s.waitMinutes))
                            : tr("  ·  %1 min").arg(std::lround(s.workMinutes)));
    }
    if (lines != lines_) {
        lines_ = lines;
        list_->clear();
        list_->addItems(lines);
    }
    refreshStep();
}

QString GlueStage::said(const Text& text) const { return QString::fromStdString(print(text, doc_.style())); }

/// "Tue 1 Dec, 18:30" of minutes from the schedule's start.
QString GlueStage::when(double minutes) const
{
    const DayTime at = dayTimeOf(doc_.plan().schedule.begins + minutes);
    const QString time = QStringLiteral("%1:%2").arg(at.minute / 60).arg(at.minute % 60, 2, 10, QChar('0'));
    if (doc_.piece().progress.start)
        return QLocale::c().toString(QDate(1970, 1, 1).addDays(at.day), "ddd d MMM") + QStringLiteral(", ") + time;
    return tr("day %1, %2").arg(at.day - dayTimeOf(doc_.plan().schedule.begins).day + 1).arg(time);
}

void GlueStage::refreshWhen()
{
    const Plan& plan = doc_.plan();
    const auto& start = doc_.piece().progress.start;
    dated_->setChecked(start.has_value());
    begin_->setEnabled(start.has_value());
    if (!begin_->hasFocus()) {
        const DayTime at = dayTimeOf(start.value_or(doc_.now()));
        begin_->setDateTime(
            QDateTime(QDate(1970, 1, 1).addDays(at.day), QTime::fromMSecsSinceStartOfDay(at.minute * 60000)));
    }
    ready_->setText(semibold(tr("<b>Ready %1</b> · least possible %2"))
                        .arg(when(plan.schedule.length), when(plan.schedule.lowerBound)));
    const Session next = nextSession(plan.assembly.recipe, plan.schedule);
    QStringList steps;
    for (const size_t i : next.steps) steps << said(plan.assembly.recipe[i].title);
    today_->setText(steps.isEmpty() ? tr("Nothing is left to do.")
                                    : semibold(tr("<b>Next: %1</b>, %n steps, %2 min of work: %3%4", nullptr,
                                                  static_cast<int>(steps.size())))
                                          .arg(when(next.time.from))
                                          .arg(std::lround(next.workMinutes))
                                          .arg(steps.mid(0, 4).join(QStringLiteral("; ")))
                                          .arg(steps.size() > 4 ? QStringLiteral(" …") : QString()));
}

void GlueStage::takeGlue(int index)
{
    const std::string step = doc_.selection().step, id = glue_->itemData(index).toString().toStdString();
    edit(tr("glue of a joint"), [&](Piece& p) {
        std::erase_if(p.glues, [&](const GlueChoice& g) { return g.step == step; });
        if (!id.empty()) p.glues.push_back({step, id, {}});
    });
}

/// A step that is done ends now, or when it was planned to, if that is past already.
void GlueStage::markDone()
{
    doc_.apply(tr("step done"), [this](Piece p) {
        return withStepTicked(std::move(p), doc_.plan(), doc_.selection().step, doc_.now());
    });
}

void GlueStage::refreshStep()
{
    const Plan& plan = doc_.plan();
    const auto it = std::ranges::find(plan.assembly.recipe, doc_.selection().step, &Step::id);
    const bool any = it != plan.assembly.recipe.end();
    title_->setText(any ? said(it->title) : tr("Click a bar or a line of the list"));
    for (QLabel* l : {time_, how_, why_, needs_}) l->setVisible(any);
    for (QWidget* w : {static_cast<QWidget*>(done_), static_cast<QWidget*>(free_)}) w->setEnabled(any);
    for (QWidget* w : {static_cast<QWidget*>(glue_), static_cast<QWidget*>(trouble_), static_cast<QWidget*>(advice_)})
        w->setVisible(false);
    if (!any) return;
    const auto index = static_cast<size_t>(it - plan.assembly.recipe.begin());
    done_->setChecked(plan.schedule.done[index]);
    free_->setEnabled(std::ranges::find(doc_.piece().progress.moved, it->id, &StepMoved::step) !=
                      doc_.piece().progress.moved.end());
    if (const auto joint = std::ranges::find(plan.glues, index, &JointGlue::step); joint != plan.glues.end()) {
        const QSignalBlocker quietGlue(glue_);
        glue_->clear();
        glue_->addItem(tr("suggested: %1").arg(QString::fromStdString(joint->suggestedName)), QString());
        for (const Glue& g : doc_.shop().glues)
            glue_->addItem(QString::fromStdString(g.name), QString::fromStdString(g.id));
        const auto own = std::ranges::find(doc_.piece().glues, it->id, &GlueChoice::step);
        glue_->setCurrentIndex(
            own == doc_.piece().glues.end() ? 0 : std::max(0, glue_->findData(QString::fromStdString(own->glue))));
        glue_->setVisible(true);
        const QString faces = localized(jointName(it->glue.faces));
        QStringList troubles, advice{tr("%1, %2 cm²").arg(faces).arg(it->glue.area / 100, 0, 'f', 0)};
        for (const Text& t : joint->troubles) troubles << said(t);
        for (const Text& a : joint->advice) advice << said(a);
        trouble_->setText(troubles.join(QStringLiteral(". ")));
        trouble_->setVisible(!troubles.isEmpty());
        advice_->setText(advice.join(QStringLiteral("; ")));
        advice_->setVisible(true);
    }
    time_->setText(tr("%1 min of work, %2 min of waiting · begins %3")
                       .arg(std::lround(it->workMinutes))
                       .arg(std::lround(it->waitMinutes))
                       .arg(when(plan.schedule.start[index])));
    how_->setText(it->how.empty() ? QString() : tr("How: %1").arg(said(it->how)));
    why_->setText(tr("Why: %1").arg(said(it->why)));
    QStringList needs;
    for (const std::string& id : it->after)
        if (const auto before = std::ranges::find(plan.assembly.recipe, id, &Step::id);
            before != plan.assembly.recipe.end())
            needs << said(before->title);
    needs_->setText(needs.isEmpty() ? tr("Can be begun at once") : tr("After: %1").arg(needs.join(tr("; "))));
    const auto place = std::ranges::find(plan.schedule.order, index) - plan.schedule.order.begin();
    const QSignalBlocker quiet(list_);
    list_->setCurrentRow(static_cast<int>(place));
}

}  // namespace vl::app
