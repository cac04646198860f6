#include "app/stages/log/log_stage.h"

#include "app/fields/table.h"
#include "app/stages/page_switch.h"
#include "app/theme/theme.h"
#include "core/measure/format.h"
#include "core/plan/log_entry.h"
#include "core/plan/moisture_book.h"
#include "report/type.h"

#include <QDateTime>
#include <QLineEdit>
#include <QLocale>
#include <QPushButton>

#include <cmath>

namespace vl::app {
namespace {

using report::q;

QString date(double minutes)
{
    constexpr qint64 ms = 60000;
    return QLocale().toString(QDateTime::fromMSecsSinceEpoch(static_cast<qint64>(minutes) * ms, Qt::UTC).date(),
                              QLocale::ShortFormat);
}

QString hours(double minutes)
{
    constexpr double hour = 60;
    return minutes > 0 ? LogStage::tr("%1 h").arg(minutes / hour, 0, 'f', 1) : QString();
}

}  // namespace

LogStage::LogStage(Document& document, QWidget* parent) : Stage(document, tr("Log"), parent)
{
    log_ = new Table({tr("No."), tr("Name"), tr("Woods"), tr("Made of"), tr("Finish"), tr("Finished"), tr("Planned"),
                      tr("Ticked"), tr("Weight"), tr("To whom")});
    log_->setAccessibleName(tr("Finished pieces"));
    years_ =
        new Table({tr("Year"), tr("Pieces"), tr("Work ticked"), tr("as planned"), tr("Took longer by"), tr("Wood")});
    years_->setAccessibleName(tr("Years in numbers"));
    readings_ =
        new Table({tr("Read on"), tr("When"), tr("Moisture"), tr("Weight"), tr("Room"), tr("Comes to"), tr("Place")});
    readings_->setAccessibleName(tr("Readings of moisture"));
    pages_ = new PageSwitch;
    pages_->add(tr("pieces"), log_, false);
    pages_->add(tr("years"), years_, false);
    pages_->add(tr("moisture"), readings_, false);
    addLane(pages_, 1);
    connect(log_, &QTableWidget::currentCellChanged, this, [this](int row, int, int before) {
        if (row != before) refreshLog();
    });

    group(tr("This piece"), "log-piece");
    add_ = new QPushButton(tr("Enter it in the log"));
    add_->setObjectName("log-piece");
    addToPanel(add_);
    connect(add_, &QPushButton::clicked, this, [this] {
        editShop(tr("entry in the log"),
                 [this](Shop& s) { s.log.push_back(logged(doc_.piece(), s, doc_.plan(), doc_.now())); });
        pages_->show(tr("pieces"));
    });
    said_ = new QLabel;
    said_->setWordWrap(true);
    said_->setObjectName("log-said");
    said_->setProperty("role", "quiet");
    addToPanel(said_);
    group(tr("Entries"), "log-entries");
    search_ = new QLineEdit;
    search_->setObjectName("log-search");
    search_->setPlaceholderText(tr("name, wood, to whom"));
    search_->setClearButtonEnabled(true);
    row(tr("Search"), search_);
    connect(search_, &QLineEdit::textChanged, this, [this] { refreshLog(); });
    entry_ = new FieldForm(doc_);
    addToPanel(entry_);
    connect(entry_, &FieldForm::edited, this,
            [this](const QString& words, const std::string& path, const FieldValue& value) {
                const int at = chosen();
                if (at < 0) return;
                editShop(words, [&](Shop& s) { setField(s.log[static_cast<size_t>(at)], path, value); });
            });
    auto* tools = new QHBoxLayout;
    remove_ = new QPushButton(tr("Strike out"));
    remove_->setObjectName("log-remove");
    auto* csv = new QPushButton(tr("Write as CSV …"));
    tools->addWidget(remove_);
    tools->addWidget(csv);
    addToPanel(tools);
    connect(csv, &QPushButton::clicked, this, &LogStage::exportWanted);
    connect(remove_, &QPushButton::clicked, this, [this] {
        const int at = chosen();
        if (at < 0) return;
        editShop(tr("struck out"), [at](Shop& s) { s.log.erase(s.log.begin() + at); });
    });
    group(tr("Moisture"), "log-moisture", false);
    read_ = new QPushButton(tr("Another reading"));
    read_->setObjectName("add-reading");
    addToPanel(read_);
    connect(read_, &QPushButton::clicked, this, [this] {
        editShop(tr("reading"), [this](Shop& s) {
            Reading r = s.readings.empty() ? Reading{} : s.readings.back();
            r.at = doc_.now();
            s.readings.push_back(r);
        });
        pages_->show(tr("moisture"));
    });
    reading_ = new FieldForm(doc_);
    addToPanel(reading_);
    connect(reading_, &FieldForm::edited, this,
            [this](const QString& words, const std::string& path, const FieldValue& value) {
                editShop(words, [&](Shop& s) {
                    if (!s.readings.empty()) setField(s.readings.back(), path, value);
                });
            });
    dries_ = new QLabel;
    dries_->setWordWrap(true);
    dries_->setObjectName("dries");
    addToPanel(dries_);
    endPanel();
    refresh();
}

int LogStage::chosen() const
{
    const int row = log_->currentRow();
    return row >= 0 && row < static_cast<int>(shown_.size()) ? shown_[static_cast<size_t>(row)] : -1;
}

void LogStage::refreshLog()
{
    const std::vector<Logged>& log = doc_.shop().log;
    QList<QStringList> rows;
    std::vector<int> shown;
    for (size_t i = log.size(); i-- > 0;) {  // the latest first
        const Logged& l = log[i];
        const QStringList row{QString::number(l.number),
                              q(l.name),
                              q(l.woods),
                              q(l.made),
                              q(l.finish),
                              date(l.finished),
                              hours(l.planned),
                              hours(l.worked),
                              l.weight > 0 ? tr("%1 kg").arg(l.weight, 0, 'f', 2) : QString(),
                              q(l.to)};
        if (!search_->text().isEmpty() && !(row.join(QLatin1Char(' ')) + q(l.notes + l.wrong + l.foot))
                                               .contains(search_->text(), Qt::CaseInsensitive))
            continue;
        rows << row;
        shown.push_back(static_cast<int>(i));
    }
    if (shown != shown_ || rows.size() != log_->rowCount()) {
        const QSignalBlocker quiet(log_);
        shown_ = std::move(shown);
        log_->setRows(rows);
        if (!shown_.empty()) log_->setCurrentCell(0, 0);
    } else {
        const QSignalBlocker quiet(log_);
        const int at = log_->currentRow();
        log_->setRows(rows);
        log_->setCurrentCell(at, 0);
    }
    const int at = chosen();
    remove_->setEnabled(at >= 0);
    entry_->setVisible(at >= 0);
    if (at < 0) return;
    std::vector<FieldItem> items = itemsOf(log[static_cast<size_t>(at)]);
    std::erase_if(items, [](const FieldItem& i) { return i.path == "piece" || i.path.ends_with("_min"); });
    entry_->show(items);
}

void LogStage::refreshYears()
{
    QList<QStringList> rows;
    for (const LogYear& y : yearsOf(doc_.shop().log))
        rows << QStringList{QString::number(y.year),
                            QString::number(y.pieces),
                            hours(y.worked),
                            hours(y.planned),
                            std::isnan(y.ratio()) ? QString() : tr("%1 %").arg((y.ratio() - 1) * 100, 0, 'f', 0),
                            tr("%1 l").arg(y.wood, 0, 'f', 1)};
    years_->setRows(rows);
}

void LogStage::refreshReadings()
{
    const std::vector<Reading>& all = doc_.shop().readings;
    QList<QStringList> rows;
    for (size_t i = all.size(); i-- > 0;) {
        const Reading& r = all[i];
        rows << QStringList{q(r.of),
                            date(r.at),
                            tr("%1 %").arg(r.percent, 0, 'f', 1),
                            r.grams > 0 ? tr("%1 g").arg(r.grams, 0, 'f', 0) : QString(),
                            tr("%1 °C, %2 %").arg(r.celsius, 0, 'f', 0).arg(r.humidity, 0, 'f', 0),
                            tr("%1 %").arg(roomMoisture(r), 0, 'f', 1),
                            q(r.place)};
    }
    readings_->setRows(rows);
    reading_->setVisible(!all.empty());
    dries_->setVisible(!all.empty());
    if (all.empty()) return;
    std::vector<FieldItem> items = itemsOf(all.back());
    std::erase_if(items, [](const FieldItem& i) { return i.path == "at_min"; });
    reading_->show(items);
    constexpr double target = 8;  // % before it is finished, common practice
    const DryingForecast f = dryingForecast(all, all.back().of, target);
    dries_->setText(f.days < 0
                        ? (f.readings < 2 ? tr("Two readings of it, days apart, say when it will be ready.")
                                          : tr("In that room it never comes down to %1 %.").arg(target, 0, 'f', 0))
                        : tr("%1: at %2 % in about %3 days, %4 to %5 by how the readings scatter.")
                              .arg(q(all.back().of))
                              .arg(target, 0, 'f', 0)
                              .arg(f.days, 0, 'f', 0)
                              .arg(f.early, 0, 'f', 0)
                              .arg(f.late, 0, 'f', 0));
}

void LogStage::refresh()
{
    refreshRows();
    refreshLog();
    refreshYears();
    refreshReadings();
    const std::vector<Logged>& log = doc_.shop().log;
    const bool there =
        std::ranges::any_of(log, [&](const Logged& l) { return !l.piece.empty() && l.piece == doc_.piece().id; });
    const double learned = learnedRatio(log);
    QString words = there ? tr("This piece is in the log already; entered again it gets another number.")
                          : tr("Woods, finish, hours and weight are taken from the plan and the ticks.");
    if (!std::isnan(learned))
        words += QLatin1Char(' ') +
                 tr("In this shop the work takes %1 times as long as planned, by the log.").arg(learned, 0, 'f', 2);
    said_->setText(words);
}

}  // namespace vl::app
