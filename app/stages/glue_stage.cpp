#include "app/stages/glue_stage.h"

#include "app/views/timetable.h"
#include "report/type.h"

#include <QComboBox>
#include <QListWidget>
#include <QSignalBlocker>

#include <cmath>

namespace vl::app {

GlueStage::GlueStage(Document& document, QWidget* parent) : Stage(document, tr("Glue"), parent)
{
    timetable_ = new Timetable(document);
    addLane(timetable_, 3);
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
    closing_ = new QComboBox;
    closing_->addItems({tr("full ring, band clamp"), tr("two halves, flats sanded")});
    row(tr("Way"), closing_);
    connect(closing_, &QComboBox::activated, this, [this](int k) { edit(tr("way of closing"), [k](Piece& p) { p.choices.closing = static_cast<RingSchool>(k); }); });
    heading(tr("CHOSEN STEP"));
    auto label = [&](const char* role) {
        auto* l = new QLabel;
        l->setWordWrap(true);
        l->setTextInteractionFlags(Qt::TextSelectableByMouse);
        if (role) l->setProperty("role", role);
        addToPanel(l);
        return l;
    };
    title_ = label("title");
    time_ = label("quiet");
    how_ = label(nullptr);
    why_ = label(nullptr);
    needs_ = label("quiet");
    heading(tr("ALTOGETHER"));
    figure(FigureId::WorkTime, tr("Work"), false);
    figure(FigureId::TotalTime, tr("Start to finish"), false);
    auto* care = new QLabel(
        tr("Glue and finish give off fumes: air the room, and follow the maker's label. Spread oily rags flat outdoors to dry; heaped, they can catch fire by themselves."));
    care->setWordWrap(true);
    care->setProperty("role", "quiet");
    addToPanel(care);
    endPanel();

    refresh();
}

void GlueStage::refresh()
{
    closing_->setCurrentIndex(static_cast<int>(doc_.piece().choices.closing));
    const QSignalBlocker quiet(list_);
    const Plan& plan = doc_.plan();
    QStringList lines;
    for (const size_t i : plan.schedule.order) {
        const Step& s = plan.assembly.recipe[i];
        const bool waits = s.waitMinutes > 0 && s.workMinutes == 0;
        lines << QStringLiteral("%1   %2").arg(lines.size() + 1, 4, 10, QChar(0x2007)).arg(QString::fromStdString(s.title)) +
                     (waits ? tr("  ·  wait %1 min").arg(std::lround(s.waitMinutes)) : tr("  ·  %1 min").arg(std::lround(s.workMinutes)));
    }
    if (lines != lines_) {
        lines_ = lines;
        list_->clear();
        list_->addItems(lines);
    }
    refreshStep();
}

void GlueStage::refreshStep()
{
    const Plan& plan = doc_.plan();
    const auto it = std::ranges::find(plan.assembly.recipe, doc_.selection().step, &Step::id);
    const bool any = it != plan.assembly.recipe.end();
    title_->setText(any ? QString::fromStdString(it->title) : tr("Click a bar or a line of the list"));
    for (QLabel* l : {time_, how_, why_, needs_}) l->setVisible(any);
    if (!any) return;
    const auto index = static_cast<size_t>(it - plan.assembly.recipe.begin());
    time_->setText(tr("%1 min of work, %2 min of waiting · begins at hour %3")
                       .arg(std::lround(it->workMinutes))
                       .arg(std::lround(it->waitMinutes))
                       .arg(plan.schedule.start[index] / 60, 0, 'f', 1));
    how_->setText(it->how.empty() ? QString() : tr("How: %1").arg(QString::fromStdString(it->how)));
    why_->setText(tr("Why: %1").arg(QString::fromStdString(it->why)));
    QStringList needs;
    for (const std::string& id : it->after)
        if (const auto before = std::ranges::find(plan.assembly.recipe, id, &Step::id); before != plan.assembly.recipe.end()) needs << QString::fromStdString(before->title);
    needs_->setText(needs.isEmpty() ? tr("Can be begun at once") : tr("After: %1").arg(needs.join(tr("; "))));
    const auto place = std::ranges::find(plan.schedule.order, index) - plan.schedule.order.begin();
    const QSignalBlocker quiet(list_);
    list_->setCurrentRow(static_cast<int>(place));
}

}  // namespace vl::app
