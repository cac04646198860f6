#include "app/stages/log/kiln_view.h"

#include "app/fields/field_form.h"
#include "app/fields/table.h"
#include "app/fields/when_seen.h"
#include "app/stages/log/moisture_chart.h"
#include "app/theme/theme.h"
#include "core/measure/format.h"
#include "core/plan/drying/kiln.h"
#include "core/wood/species.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QScrollArea>
#include <QSignalBlocker>

#include <cmath>

namespace vl::app {
namespace {

QString woodOf(const std::string& id)
{
    const Species* s = findSpecies(id);
    return s ? localized(s->name) : QString::fromStdString(id);
}

QString percent(double v) { return QStringLiteral("%1 %").arg(v, 0, 'f', 1); }

}  // namespace

KilnView::KilnView(Document& document, QWidget* parent)
    : QWidget(parent), doc_(document), which_(new QComboBox),
      bowls_(new Table({tr("Shelf"), tr("What"), tr("Wood"), tr("Wall"), tr("Wet"), tr("Now"), tr("Out")})),
      settings_(new Table({tr("From day"), tr("°C"), tr("Fan")})),
      loads_(new Table({tr("Load"), tr("In it"), tr("Out"), tr("Cracked"), tr("Days"), tr("Hottest")})),
      chart_(new MoistureChart), planned_(new QLabel), learned_(new QLabel)
{
    which_->setObjectName("kiln-load");
    which_->setAccessibleName(tr("Load of the kiln"));
    bowls_->setAccessibleName(tr("What is in the load"));
    settings_->setAccessibleName(tr("What the kiln was set to"));
    loads_->setAccessibleName(tr("Loads compared"));
    for (QLabel* l : {planned_, learned_}) {
        l->setWordWrap(true);
        l->setTextFormat(Qt::RichText);
    }
    planned_->setObjectName("kiln-planned");
    learned_->setObjectName("kiln-learned");
    const auto button = [this](const QString& words, const char* key) {
        auto* b = new QPushButton(words);
        b->setObjectName(key);
        return b;
    };
    addLoad_ = button(tr("A new load"), "add-load");
    removeLoad_ = button(tr("Take it out"), "remove-load");
    auto* top = new QHBoxLayout;
    top->addWidget(which_, 1);
    top->addWidget(addLoad_);
    top->addWidget(removeLoad_);
    // At the left what is in it and how it dries, at the right what is planned and set, and the loads side by side.
    auto* left = new QVBoxLayout;
    left->addWidget(bowls_, 2);
    left->addWidget(chart_, 3);
    auto* words = new QWidget;
    auto* said = new QVBoxLayout(words);
    said->setContentsMargins(4, 0, 4, 0);
    said->addWidget(learned_);
    said->addWidget(planned_);
    said->addStretch(1);
    auto* scroll = new QScrollArea;
    scroll->setWidgetResizable(true);
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setWidget(words);
    auto* right = new QVBoxLayout;
    right->addWidget(scroll, 5);
    right->addWidget(settings_, 2);
    right->addWidget(loads_, 2);
    auto* both = new QHBoxLayout;
    both->addLayout(left, 5);
    both->addLayout(right, 3);
    auto* column = new QVBoxLayout(this);
    column->addLayout(top);
    column->addLayout(both, 1);
    buildForms();
    connect(which_, &QComboBox::activated, this, &KilnView::refresh);
    for (Table* t : {bowls_, settings_})
        connect(t, &QTableWidget::currentCellChanged, this, [this](int row, int, int before) {
            if (row != before) refreshForms();
        });
    connect(addLoad_, &QPushButton::clicked, this, [this] {
        const auto add = [this](Shop& shop) {
            if (shop.kiln.size() >= mostLoads) return;
            KilnLoad next;
            next.name = tr("Load %1").arg(shop.kiln.size() + 1).toStdString();
            next.begun = doc_.now();
            next.settings = {{}};
            shop.kiln.push_back(next);
        };
        if (!doc_.changeShop(tr("a load of the kiln"), add)) return;
        which_->setCurrentIndex(0);
        refresh();
    });
    connect(removeLoad_, &QPushButton::clicked, this, [this] {
        if (const int at = load(); at >= 0)
            doc_.changeShop(tr("load taken out"), [at](Shop& shop) {
                if (at < static_cast<int>(shop.kiln.size())) shop.kiln.erase(shop.kiln.begin() + at);
            });
    });
    // The page and the forms are seen by themselves.
    for (QWidget* part : {static_cast<QWidget*>(this), forms_}) {
        auto* seen = new WhenSeen(part, [this] { refresh(); });
        connect(&doc_, &Document::changed, seen, &WhenSeen::refresh);
        seen->refresh();
    }
}

void KilnView::buildForms()
{
    forms_ = new QWidget;
    auto* column = new QVBoxLayout(forms_);
    column->setContentsMargins(0, 0, 0, 0);
    load_ = new FieldForm(doc_);
    bowl_ = new FieldForm(doc_);
    setting_ = new FieldForm(doc_);
    const auto pair = [&](QPushButton*& add, const QString& more, const char* addKey, QPushButton*& remove,
                          const QString& less, const char* removeKey) {
        auto* row = new QHBoxLayout;
        add = new QPushButton(more);
        add->setObjectName(addKey);
        remove = new QPushButton(less);
        remove->setObjectName(removeKey);
        row->addWidget(add);
        row->addWidget(remove);
        column->addLayout(row);
    };
    column->addWidget(load_);
    pair(addBowl_, tr("Put one in"), "add-in-kiln", removeBowl_, tr("Not in it"), "remove-in-kiln");
    column->addWidget(bowl_);
    pair(addSetting_, tr("Set otherwise from today"), "add-kiln-setting", removeSetting_, tr("Take it back"),
         "remove-kiln-setting");
    column->addWidget(setting_);
    asPlanned_ = new QPushButton(tr("Set it as planned"));
    asPlanned_->setObjectName("kiln-as-planned");
    column->addWidget(asPlanned_);
    const auto hand = [this](FieldForm* form, auto of) {
        connect(form, &FieldForm::edited, this,
                [this, of](const QString& words, const std::string& path, const FieldValue& value) {
                    editLoad(words, [&](KilnLoad& l) { of(l, path, value); });
                });
    };
    hand(load_, [](KilnLoad& l, const std::string& path, const FieldValue& value) { setField(l, path, value); });
    hand(bowl_, [this](KilnLoad& l, const std::string& path, const FieldValue& value) {
        const int row = bowls_->currentRow();
        if (row >= 0 && row < static_cast<int>(l.bowls.size()))
            setField(l.bowls[static_cast<size_t>(row)], path, value);
    });
    hand(setting_, [this](KilnLoad& l, const std::string& path, const FieldValue& value) {
        const int row = settings_->currentRow();
        if (row >= 0 && row < static_cast<int>(l.settings.size()))
            setField(l.settings[static_cast<size_t>(row)], path, value);
    });
    connect(addBowl_, &QPushButton::clicked, this, [this] {
        editLoad(tr("put in the kiln"), [&](KilnLoad& l) {
            if (l.bowls.size() >= mostInKiln) return;
            InKiln one = l.bowls.empty() ? InKiln{} : l.bowls.back();
            one.name = tr("bowl %1").arg(l.bowls.size() + 1).toStdString();
            one.out = -1;
            one.cracked = false;
            l.bowls.push_back(one);
        });
        bowls_->setCurrentCell(bowls_->rowCount() - 1, 0);
    });
    connect(removeBowl_, &QPushButton::clicked, this, [this] {
        const int row = bowls_->currentRow();
        editLoad(tr("not in the kiln"), [&](KilnLoad& l) {
            if (row >= 0 && row < static_cast<int>(l.bowls.size())) l.bowls.erase(l.bowls.begin() + row);
        });
    });
    connect(addSetting_, &QPushButton::clicked, this, [this] {
        editLoad(tr("kiln set"), [&](KilnLoad& l) {
            KilnSetting next = l.settings.empty() ? KilnSetting{} : l.settings.back();
            next.day = std::max(0.0, std::floor(dayOf(l, doc_.now())));
            if (l.settings.size() < mostKilnDays) l.settings.push_back(next);
        });
        settings_->setCurrentCell(settings_->rowCount() - 1, 0);
    });
    connect(removeSetting_, &QPushButton::clicked, this, [this] {
        const int row = settings_->currentRow();
        editLoad(tr("kiln's setting taken back"), [&](KilnLoad& l) {
            if (row >= 0 && row < static_cast<int>(l.settings.size())) l.settings.erase(l.settings.begin() + row);
        });
    });
    connect(asPlanned_, &QPushButton::clicked, this, [this] {
        editLoad(tr("kiln set as planned"), [&](KilnLoad& l) { l.settings = settingsOf(planKiln(doc_.shop(), l)); });
    });
}

int KilnView::load() const
{
    // The latest first.
    const int count = static_cast<int>(doc_.shop().kiln.size()), row = which_->currentIndex();
    return row >= 0 && row < count ? count - 1 - row : -1;
}

void KilnView::refresh()
{
    {
        const QSignalBlocker quiet(which_);
        const int row = std::max(0, which_->currentIndex());
        which_->clear();
        const auto& all = doc_.shop().kiln;
        for (auto it = all.rbegin(); it != all.rend(); ++it) which_->addItem(QString::fromStdString(it->name));
        which_->setCurrentIndex(std::min(row, which_->count() - 1));
    }
    refreshTables();
    refreshPlan();
    refreshForms();
}

void KilnView::refreshTables()
{
    const Shop& shop = doc_.shop();
    QList<QStringList> bowls, settings, loads;
    for (const KilnLoad& l : shop.kiln) {
        const LoadSum sum = sumOf(l);
        loads << QStringList{QString::fromStdString(sum.name),
                             QString::number(sum.bowls),
                             QString::number(sum.out),
                             QString::number(sum.cracked),
                             sum.days > 0 ? QString::number(sum.days, 'f', 0) : tr("still in"),
                             tr("%1 °C").arg(sum.hottest, 0, 'f', 0)};
    }
    if (const int at = load(); at >= 0) {
        const KilnLoad& l = shop.kiln[static_cast<size_t>(at)];
        const double now = dayOf(l, doc_.now());
        for (const InKiln& b : l.bowls)
            bowls << QStringList{QString::number(b.shelf),
                                 QString::fromStdString(b.name),
                                 woodOf(b.wood),
                                 QString::fromStdString(formatLengthUnit(b.wall, doc_.style())),
                                 percent(b.wet),
                                 b.out >= 0 ? percent(b.dry) : percent(moistureInKiln(shop, l, b, std::max(0.0, now))),
                                 b.cracked    ? tr("cracked")
                                 : b.out >= 0 ? tr("day %1").arg(b.out, 0, 'f', 0)
                                              : tr("in")};
        for (const KilnSetting& s : l.settings)
            settings << QStringList{QString::number(s.day, 'f', 0), QString::number(s.celsius, 'f', 0),
                                    QStringLiteral("%1 %").arg(s.fan, 0, 'f', 0)};
    }
    const auto fill = [](Table* table, const QList<QStringList>& rows) {
        const QSignalBlocker quiet(table);
        const int row = std::max(0, table->currentRow());
        table->setRows(rows);
        if (!rows.isEmpty()) table->setCurrentCell(std::min(row, static_cast<int>(rows.size()) - 1), 0);
    };
    fill(bowls_, bowls);
    fill(settings_, settings);
    fill(loads_, loads);
}

void KilnView::refreshPlan()
{
    const Shop& shop = doc_.shop();
    const int at = load();
    if (at < 0) {
        planned_->setText(tr("No load of the kiln is written down yet."));
        learned_->clear();
        chart_->plot({}, 8);
        return;
    }
    const KilnLoad& l = shop.kiln[static_cast<size_t>(at)];
    const KilnPlan plan = planKiln(shop, l);
    QStringList said;
    const QString head =
        plan.bestRun.empty()
            ? tr("By our own cautious table, as the gentlest of its woods bears")
            : tr("As %1, the shop's best of these woods").arg(QString::fromStdString(plan.bestRun).toHtmlEscaped());
    if (!plan.steps.empty()) said << semibold(QStringLiteral("<b>%1</b>").arg(head));
    for (const KilnStep& s : plan.steps) {
        const QString days = s.days > 0 ? tr(", about %1 days").arg(s.days, 0, 'f', 0) : QString();
        const QString when = s.below >= 200 ? tr("above %1 %").arg(s.above, 0, 'f', 0)
                             : s.above <= 0 ? tr("below %1 %").arg(s.below, 0, 'f', 0)
                                            : tr("%1 to %2 %").arg(s.below, 0, 'f', 0).arg(s.above, 0, 'f', 0);
        said << tr("%1: %2 °C, fan %3 %%4").arg(when).arg(s.celsius, 0, 'f', 0).arg(s.fan, 0, 'f', 0).arg(days);
    }
    if (!plan.slowest.empty())
        said << tr("<i>%1</i> is at %2 % after about %3 days.")
                    .arg(QString::fromStdString(plan.slowest).toHtmlEscaped())
                    .arg(l.target, 0, 'f', 0)
                    .arg(plan.days, 0, 'f', 0);
    std::vector<Text> cautions = pushedIn(shop, l);
    cautions.insert(cautions.end(), plan.cautions.begin(), plan.cautions.end());
    for (const Text& c : cautions) {
        QString words = QString::fromStdString(print(c, doc_.style())).toHtmlEscaped();
        words[0] = words[0].toUpper();
        said << QStringLiteral("<span style='color:%1'>%2.</span>").arg(theme().warn.name(), words);
    }
    said << tr("Wood that dries warm smells and sweats: keep the door's seal clean, and never leave a heater that its "
               "maker does not allow to run alone.");
    planned_->setText(said.join(QStringLiteral("<br>")));
    QStringList learned;
    for (const std::string& one : plan.learned) learned << QString::fromStdString(one).toHtmlEscaped();
    learned_->setVisible(!learned.isEmpty());
    learned_->setText(semibold(tr("<b>Otherwise this time:</b> %1").arg(learned.join(QStringLiteral("; ")))));
    // What was read, and how each goes on from there.
    std::vector<MoistureChart::Line> lines;
    double last = std::max(1.0, plan.days);
    for (const InKiln& b : l.bowls) last = std::max(last, b.out);
    constexpr size_t most = 4;
    for (const InKiln& b : l.bowls) {
        if (lines.size() == most) break;
        MoistureChart::Line line{QString::fromStdString(b.name), {QPointF(0, b.wet)}, {}};
        for (const Reading& r : shop.readings)
            if (r.of == b.name && r.at >= l.begun) line.read << QPointF(dayOf(l, r.at), r.percent);
        std::ranges::sort(line.read, {}, [](const QPointF& p) { return p.x(); });
        line.expected = line.read;
        const double end = b.out >= 0 ? b.out : last, from = line.read.back().x();
        constexpr int steps = 40;
        for (int k = 1; k <= steps && end > from; ++k) {
            const double on = from + (end - from) * k / steps;
            line.expected << QPointF(on, moistureInKiln(shop, l, b, on));
        }
        lines.push_back(std::move(line));
    }
    QVector<QPointF> celsius;
    for (const KilnSetting& s : l.settings) celsius << QPointF(s.day, s.celsius);
    std::ranges::sort(celsius, {}, [](const QPointF& p) { return p.x(); });
    chart_->plot(lines, l.target, celsius);
}

void KilnView::refreshForms()
{
    const int at = load();
    for (QWidget* w :
         std::initializer_list<QWidget*>{load_, addBowl_, removeBowl_, addSetting_, removeSetting_, asPlanned_})
        w->setVisible(at >= 0);
    removeLoad_->setEnabled(at >= 0);
    const KilnLoad none, &l = at >= 0 ? doc_.shop().kiln[static_cast<size_t>(at)] : none;
    const int bowl = bowls_->currentRow(), setting = settings_->currentRow();
    const bool someBowl = bowl >= 0 && bowl < static_cast<int>(l.bowls.size());
    const bool someSetting = setting >= 0 && setting < static_cast<int>(l.settings.size());
    bowl_->setVisible(someBowl);
    setting_->setVisible(someSetting);
    removeBowl_->setEnabled(someBowl);
    removeSetting_->setEnabled(someSetting);
    asPlanned_->setEnabled(!l.bowls.empty());
    if (at < 0) return;
    std::vector<FieldItem> items = itemsOf(l);
    std::erase_if(items, [](const FieldItem& i) { return i.path == "begun_min"; });
    load_->show(items);
    if (someBowl) bowl_->show(itemsOf(l.bowls[static_cast<size_t>(bowl)]));
    if (someSetting) setting_->show(itemsOf(l.settings[static_cast<size_t>(setting)]));
}

}  // namespace vl::app
