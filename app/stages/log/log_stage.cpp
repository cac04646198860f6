#include "app/stages/log/log_stage.h"

#include "app/fields/table.h"
#include "app/stages/log/kiln_view.h"
#include "app/stages/log/moisture_chart.h"
#include "app/stages/page_switch.h"
#include "app/theme/theme.h"
#include "core/plan/learning/log_entry.h"
#include "report/drawing.h"
#include "report/type.h"

#include <QBuffer>
#include <QCheckBox>
#include <QDateTime>
#include <QFileInfo>
#include <QHeaderView>
#include <QImageReader>
#include <QLineEdit>
#include <QLocale>
#include <QPushButton>

#include <cmath>

namespace vl::app {
namespace {

using report::q;

QString hours(double minutes)
{
    constexpr double hour = 60;
    return minutes > 0 ? LogStage::tr("%1 h").arg(minutes / hour, 0, 'f', 1) : QString();
}

constexpr int photoHigh = 180;  // pixels

/// A picture as the log keeps it, and back.
std::string pngOf(const QImage& image)
{
    QByteArray bytes;
    QBuffer buffer(&bytes);
    buffer.open(QIODevice::WriteOnly);
    image.save(&buffer, "PNG");
    return bytes.toBase64().toStdString();
}
QImage imageOf(const std::string& png) { return QImage::fromData(QByteArray::fromBase64(png.c_str()), "PNG"); }

}  // namespace

QString LogStage::date(double minutes)
{
    constexpr qint64 ms = 60000;
    return QLocale().toString(QDateTime::fromMSecsSinceEpoch(static_cast<qint64>(minutes) * ms, Qt::UTC).date(),
                              QLocale::ShortFormat);
}

LogStage::LogStage(Document& document, QWidget* parent) : Stage(document, tr("Log"), parent)
{
    buildPages();
    group(tr("This piece"), "log-piece");
    add_ = new QPushButton(tr("Enter it in the log"));
    add_->setObjectName("log-piece");
    addToPanel(add_);
    connect(add_, &QPushButton::clicked, this, [this] {
        editShop(tr("entry in the log"), [this](Shop& s) {
            Logged entry = logged(doc_.piece(), s, doc_.plan(), doc_.boards(), doc_.now());
            entry.solid = pngOf(report::picture(doc_.piece(), doc_.plan(), photoHigh, photoHigh));
            s.log.push_back(std::move(entry));
        });
        pages_->show(tr("pieces"));
    });
    said_ = new QLabel;
    said_->setWordWrap(true);
    said_->setObjectName("log-said");
    said_->setProperty("role", "quiet");
    addToPanel(said_);
    buildEntries();
    buildEstimates();
    buildMoisture();
    group(tr("Kiln"), "log-kiln", false);
    addToPanel(kiln_->forms());
    endPanel();
    refresh();
}

void LogStage::buildPages()
{
    log_ = new Table({tr("No."), tr("Name"), tr("Woods"), tr("Made of"), tr("Finish"), tr("Finished"), tr("Planned"),
                      tr("Ticked"), tr("Weight"), tr("Cost"), tr("To whom")});
    log_->setAccessibleName(tr("Finished pieces"));
    years_ = new Table({tr("Year"), tr("Pieces"), tr("Work ticked"), tr("as planned"), tr("Took longer by"), tr("Wood"),
                        tr("Of it waste"), tr("Cost")});
    years_->setAccessibleName(tr("Years in numbers"));
    work_ = new Table({tr("Kind of work"), tr("Usual estimate"), tr("Ticked"), tr("Took longer by")});
    work_->setAccessibleName(tr("Which estimates are off"));
    readings_ =
        new Table({tr("Read on"), tr("When"), tr("Moisture"), tr("Weight"), tr("Room"), tr("Comes to"), tr("Place")});
    readings_->setAccessibleName(tr("Readings of moisture"));
    chart_ = new MoistureChart;
    kiln_ = new KilnView(doc_);
    photos_ = new QWidget;
    photos_->setLayout(new QHBoxLayout);
    compared_ = new Table({tr("Side by side")});
    compared_->setAccessibleName(tr("Entries side by side"));
    compared_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
    movement_ = new Table({tr("Joint between layers"), tr("Station"), tr("Wide"), tr("Between the seasons"),
                           tr("From here to the driest room"), tr("From here to the dampest")});
    movement_->setAccessibleName(tr("Movement at each joint"));
    log_->setSelectionMode(QAbstractItemView::ExtendedSelection);
    log_->setSelectionBehavior(QAbstractItemView::SelectRows);
    const auto above = [](QWidget* upper, int share, QWidget* lower, int rest) {
        auto* page = new QWidget;
        auto* column = new QVBoxLayout(page);
        column->setContentsMargins(0, 0, 0, 0);
        column->addWidget(upper, share);
        column->addWidget(lower, rest);
        return page;
    };
    pages_ = new PageSwitch;
    pages_->add(tr("pieces"), above(log_, 1, photos_, 0), false);
    pages_->add(tr("side by side"), compared_, false);
    pages_->add(tr("years"), above(years_, 1, work_, 1), false);
    pages_->add(tr("moisture"), above(chart_, 3, readings_, 2), false);
    pages_->add(tr("movement"), movement_, false);
    pages_->add(tr("kiln"), kiln_, false);
    addLane(pages_, 1);
    connect(log_, &QTableWidget::currentCellChanged, this, [this](int row, int, int before) {
        if (row != before) refreshLog();
    });
    connect(log_, &QTableWidget::itemSelectionChanged, this, &LogStage::refreshCompared);
    connect(readings_, &QTableWidget::currentCellChanged, this, [this](int row, int, int before) {
        if (row != before) refreshReadings();
    });
}

void LogStage::buildEntries()
{
    group(tr("Entries"), "log-entries");
    search_ = new QLineEdit;
    search_->setObjectName("log-search");
    search_->setPlaceholderText(tr("name, wood, to whom"));
    search_->setClearButtonEnabled(true);
    row(tr("Search"), search_);
    connect(search_, &QLineEdit::textChanged, this, [this] { refreshLog(); });
    const auto choice = [this](const QString& words, const char* key) {
        auto* box = new QComboBox;
        box->setObjectName(key);
        row(words, box);
        connect(box, &QComboBox::activated, this, [this] { refreshLog(); });
        return box;
    };
    year_ = choice(tr("Year"), "log-year");
    made_ = choice(tr("Made of"), "log-made");
    wrong_ = new QCheckBox(tr("only what went wrong"));
    wrong_->setObjectName("log-wrong");
    addToPanel(wrong_);
    connect(wrong_, &QCheckBox::toggled, this, [this] { refreshLog(); });
    entry_ = new FieldForm(doc_);
    addToPanel(entry_);
    connect(entry_, &FieldForm::edited, this,
            [this](const QString& words, const std::string& path, const FieldValue& value) {
                const int at = chosen();
                if (at < 0) return;
                editShop(words, [&](Shop& s) { setField(s.log[static_cast<size_t>(at)], path, value); });
            });
    const auto button = [](const QString& words, const char* key) {
        auto* b = new QPushButton(words);
        b->setObjectName(key);
        return b;
    };
    label_ = button(tr("Label …"), "log-label");
    photo_ = button(tr("Photograph …"), "log-photo");
    remove_ = button(tr("Strike out"), "log-remove");
    auto* csv = button(tr("Write as CSV …"), "log-csv");
    for (const auto& pair : {std::array{label_, photo_}, std::array{remove_, csv}}) {
        auto* tools = new QHBoxLayout;
        for (QPushButton* b : pair) tools->addWidget(b);
        addToPanel(tools);
    }
    connect(csv, &QPushButton::clicked, this, &LogStage::exportWanted);
    connect(label_, &QPushButton::clicked, this, [this] { emit labelWanted(chosen()); });
    connect(photo_, &QPushButton::clicked, this, [this] { emit photoWanted(chosen()); });
    connect(remove_, &QPushButton::clicked, this, [this] {
        const int at = chosen();
        if (at < 0) return;
        editShop(tr("struck out"), [at](Shop& s) { s.log.erase(s.log.begin() + at); });
    });
}

void LogStage::buildEstimates()
{
    group(tr("Estimates"), "log-estimates", false);
    estimates_ = new QLabel;
    estimates_->setWordWrap(true);
    estimates_->setObjectName("estimates-said");
    addToPanel(estimates_);
    learn_ = new QPushButton(tr("Plan by the log"));
    learn_->setObjectName("learn-estimates");
    usual_ = new QPushButton(tr("Back to the usual estimates"));
    usual_->setObjectName("usual-estimates");
    addToPanel(learn_);
    addToPanel(usual_);
    connect(learn_, &QPushButton::clicked, this, [this] {
        editShop(tr("estimates by the log"), [](Shop& s) { s.workFactor = std::clamp(learnedRatio(s.log), 0.2, 5.0); });
    });
    connect(usual_, &QPushButton::clicked, this,
            [this] { editShop(tr("usual estimates"), [](Shop& s) { s.workFactor = 1; }); });
}

int LogStage::chosen() const
{
    const int row = log_->currentRow();
    return row >= 0 && row < static_cast<int>(shown_.size()) ? shown_[static_cast<size_t>(row)] : -1;
}

/// The choices of the filters follow the log.
void LogStage::refreshFilters()
{
    const auto fill = [](QComboBox* box, const QString& any, const QStringList& all) {
        if (box->count() == all.size() + 1 && (all.isEmpty() || box->itemText(box->count() - 1) == all.back())) return;
        const QString chosen = box->currentIndex() > 0 ? box->currentText() : QString();
        box->clear();
        box->addItem(any);
        box->addItems(all);
        box->setCurrentIndex(std::max(0, box->findText(chosen)));
    };
    QStringList years, made;
    for (const LogYear& y : yearsOf(doc_.shop().log)) years << QString::number(y.year);
    for (const std::string& one : madeOf(doc_.shop().log)) made << q(one);
    fill(year_, tr("every year"), years);
    fill(made_, tr("anything"), made);
}

LogFilter LogStage::filter() const
{
    return {.words = search_->text().toStdString(),
            .year = year_->currentIndex() > 0 ? year_->currentText().toInt() : 0,
            .made = made_->currentIndex() > 0 ? made_->currentText().toStdString() : std::string(),
            .wrong = wrong_->isChecked()};
}

/// What is chosen, side by side; the latest two where less than two are.
void LogStage::refreshCompared()
{
    constexpr qsizetype most = 5;
    std::vector<Logged> entries;
    const auto add = [&](int row) {
        if (row >= 0 && row < static_cast<int>(shown_.size()))
            entries.push_back(doc_.shop().log[static_cast<size_t>(shown_[static_cast<size_t>(row)])]);
    };
    const QModelIndexList rows = log_->selectionModel()->selectedRows();
    if (rows.size() > 1)
        for (const QModelIndex& row : rows.mid(0, most)) add(row.row());
    else
        for (const int row : {0, 1}) add(row);
    QStringList heads{tr("Side by side")};
    for (const Logged& e : entries) heads << tr("%1  %2").arg(e.number).arg(q(e.name));
    QList<QStringList> table;
    for (const Compared& c : compared(entries)) {
        QStringList line{localized(c.what.c_str())};
        for (const std::string& v : c.values) line << q(v);
        table << line;
    }
    compared_->setColumnCount(static_cast<int>(heads.size()));
    compared_->setHorizontalHeaderLabels(heads);
    compared_->setRows(table);
    compared_->resizeRowsToContents();
}

void LogStage::refreshLog()
{
    refreshFilters();
    const LogFilter asked = filter();
    const std::vector<Logged>& log = doc_.shop().log;
    QList<QStringList> rows;
    std::vector<int> shown;
    for (size_t i = log.size(); i-- > 0;) {  // the latest first
        const Logged& l = log[i];
        if (!matches(l, asked)) continue;
        rows << QStringList{QString::number(l.number),
                            q(l.name),
                            q(l.woods),
                            q(l.made),
                            q(l.finish),
                            date(l.finished),
                            hours(l.planned),
                            hours(l.worked),
                            l.weight > 0 ? tr("%1 kg").arg(l.weight, 0, 'f', 2) : QString(),
                            l.cost > 0 ? QString::number(l.cost, 'f', 2) : QString(),
                            q(l.to)};
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
    refreshCompared();
    const int at = chosen();
    for (QPushButton* b : {remove_, label_, photo_}) b->setEnabled(at >= 0);
    entry_->setVisible(at >= 0);
    refreshPhotos();
    if (at < 0) return;
    std::vector<FieldItem> items = itemsOf(log[static_cast<size_t>(at)]);
    std::erase_if(items, [](const FieldItem& i) {
        return i.path == "piece" || i.path == "by_kind" || i.path == "photos" || i.path == "solid" ||
               i.path.ends_with("_min");
    });
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
                            tr("%1 l").arg(y.wood, 0, 'f', 1),
                            std::isnan(y.wasted()) ? QString() : tr("%1 %").arg(100 * y.wasted(), 0, 'f', 0),
                            y.cost > 0 ? QString::number(y.cost, 'f', 0) : QString()};
    years_->setRows(rows);
    QList<QStringList> kinds;
    for (const KindOfWork& k : kindsOf(doc_.shop().log))
        kinds << QStringList{q(k.kind), hours(k.planned), hours(k.worked),
                             std::isnan(k.ratio()) ? QString() : tr("%1 %").arg((k.ratio() - 1) * 100, 0, 'f', 0)};
    work_->setRows(kinds);
}

/// The photographs of the chosen entry, as files have them; one that is not there any more is named.
void LogStage::refreshPhotos()
{
    qDeleteAll(photos_->findChildren<QLabel*>(Qt::FindDirectChildrenOnly));
    const int at = chosen();
    const QStringList files =
        at < 0 ? QStringList()
               : q(doc_.shop().log[static_cast<size_t>(at)].photos).split(QLatin1Char('\n'), Qt::SkipEmptyParts);
    const QImage solid = at < 0 ? QImage() : imageOf(doc_.shop().log[static_cast<size_t>(at)].solid);
    photos_->setVisible(!files.isEmpty() || !solid.isNull());
    constexpr qsizetype most = 6;
    if (!solid.isNull()) {
        auto* planned = new QLabel;
        planned->setPixmap(QPixmap::fromImage(solid));
        planned->setAccessibleName(tr("as it was planned"));
        planned->setToolTip(planned->accessibleName());
        photos_->layout()->addWidget(planned);
    }
    for (const QString& file : files.mid(0, most)) {
        auto* label = new QLabel;
        QImageReader reader(file);
        reader.setAutoTransform(true);
        // Read no larger than it is shown: a camera's picture takes too long otherwise.
        const QSize whole = reader.size();
        if (whole.isValid() && whole.height() > 0)
            reader.setScaledSize({std::max(1, whole.width() * photoHigh / whole.height()), photoHigh});
        const QImage image = reader.read();
        if (image.isNull())
            label->setText(tr("%1 is not there").arg(QFileInfo(file).fileName()));
        else
            label->setPixmap(QPixmap::fromImage(image.scaledToHeight(photoHigh, Qt::SmoothTransformation)));
        label->setAccessibleName(QFileInfo(file).fileName());
        label->setToolTip(file);
        photos_->layout()->addWidget(label);
    }
}

void LogStage::refreshEstimates()
{
    const double learned = learnedRatio(doc_.shop().log), used = doc_.shop().workFactor;
    QString words = std::isnan(learned)
                        ? tr("Three ticked pieces in the log are needed before anything is learned of them.")
                        : tr("By the log, work takes %1 times as long here as is usual.").arg(learned, 0, 'f', 2);
    if (std::abs(used - 1) > 1e-9)
        words += QLatin1Char(' ') + tr("Every estimate is taken %1 times as long.").arg(used, 0, 'f', 2);
    estimates_->setText(words);
    learn_->setEnabled(!std::isnan(learned) && std::abs(learned - used) > 1e-9);
    usual_->setEnabled(std::abs(used - 1) > 1e-9);
}

void LogStage::refresh()
{
    refreshRows();
    refreshLog();
    refreshYears();
    refreshEstimates();
    refreshReadings();
    refreshRough();
    refreshMovement();
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
