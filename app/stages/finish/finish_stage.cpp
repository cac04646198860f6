#include "app/stages/finish/finish_stage.h"

#include "app/fields/table.h"
#include "app/theme/theme.h"
#include "core/measure/format.h"
#include "core/process/finish_area.h"
#include "core/process/finish_book.h"

#include <QPushButton>

namespace vl::app {
namespace {

/// "12 h" or "40 min".
QString duration(double minutes)
{
    constexpr double hour = 60;
    return minutes >= 2 * hour ? FinishStage::tr("%1 h").arg(minutes / hour, 0, 'f', 0)
                               : FinishStage::tr("%1 min").arg(minutes, 0, 'f', 0);
}

/// "4.5 g oil, 1.5 g hardener".
QString mixed(const FinishLayer& layer, const CoatMass& mass)
{
    QStringList all;
    for (const CoatMass::Share& s : mass.shares)
        all << (layer.mixBy == FinishLayer::Volume ? FinishStage::tr("%1 ml %2") : FinishStage::tr("%1 g %2"))
                   .arg(s.amount, 0, 'f', 1)
                   .arg(QString::fromStdString(s.name));
    return all.join(QStringLiteral(", "));
}

}  // namespace

FinishStage::FinishStage(Document& document, QWidget* parent) : Stage(document, tr("Finish"), parent)
{
    addSection(SectionLane::Handles::Stations, &columns_, 3);
    layers_ = new Table({tr("Layer"), tr("Coats"), tr("A coat"), tr("Mixed of"), tr("Left over"), tr("Then waits"),
                         tr("All told"), tr("Dries at"), tr("Between two coats")});
    layers_->setAccessibleName(tr("Layers of the finish"));
    addLane(layers_, 2);
    connect(layers_, &QTableWidget::currentCellChanged, this, [this](int row, int, int before) {
        if (row != before) refreshBook();
    });
    buildChoice();
    buildSanding();
    buildBook();
    endGroup();
    auto* care =
        new QLabel(tr("Values are common practice; the maker's label comes first. Fresh air, gloves, no flame; a "
                      "dust mask while sanding. Rags are spread flat outdoors to dry: heaped, they can catch "
                      "fire by themselves."));
    care->setWordWrap(true);
    care->setProperty("role", "quiet");
    addToPanel(care);
    endPanel();
    refresh();
}

void FinishStage::buildChoice()
{
    group(tr("Finish"), "finish");
    which_ = new QComboBox;
    which_->setObjectName("finish-of-book");
    row(tr("Finish"), which_);
    connect(which_, &QComboBox::activated, this, [this](int at) {
        edit(tr("finish"), [&](Piece& p) {
            p.choices.finish = at == 0 ? Choices{}.finish : doc_.shop().finishes[static_cast<size_t>(at - 1)].id;
        });
    });
    choiceRow(
        &Choices::use, [](auto& p) -> auto& { return p.choices; });
    area_ = new QLabel;
    area_->setWordWrap(true);
    area_->setObjectName("finish-area");
    addToPanel(area_);
}

void FinishStage::buildSanding()
{
    group(tr("Sanding"), "sanding");
    grit_ = new FieldForm(doc_);
    addToPanel(grit_);
    connect(grit_, &FieldForm::edited, this,
            [this](const QString& words, const std::string& path, const FieldValue& value) {
                edit(words, [&](Piece& p) { setField(p.choices, path, value); });
            });
    grits_ = new QLabel;
    grits_->setWordWrap(true);
    grits_->setObjectName("grits");
    addToPanel(grits_);
}

void FinishStage::buildBook()
{
    group(tr("The shop's book of finishes"), "finish-book", false);
    const auto button = [](const QString& words, const char* key) {
        auto* b = new QPushButton(words);
        b->setObjectName(key);
        return b;
    };
    auto* add = button(tr("Another like it"), "add-finish");
    removeFinish_ = button(tr("Take it out"), "remove-finish");
    auto* finishes = new QHBoxLayout;
    for (QPushButton* b : {add, removeFinish_}) finishes->addWidget(b);
    addToPanel(finishes);
    finish_ = new FieldForm(doc_);
    addToPanel(finish_);
    addLayer_ = button(tr("Add a layer"), "add-coat");
    removeLayer_ = button(tr("Take the layer out"), "remove-coat");
    auto* layers = new QHBoxLayout;
    for (QPushButton* b : {addLayer_, removeLayer_}) layers->addWidget(b);
    addToPanel(layers);
    layer_ = new FieldForm(doc_);
    addToPanel(layer_);
    auto* usual = button(tr("The usual book"), "usual-finishes");
    addToPanel(usual);
    connect(add, &QPushButton::clicked, this, [this] {
        const std::vector<Finish>& book = doc_.wanted().shop.finishes;
        Finish own = finishOf(book, doc_.piece().choices.finish);
        for (int n = 1;; ++n) {
            own.id = "own-" + std::to_string(n);
            if (std::ranges::find(book, own.id, &Finish::id) == book.end()) break;
        }
        own.name += tr(", our way").toStdString();
        if (own.layers.empty()) own.layers.emplace_back();
        doc_.changeShop(tr("another finish"), [&](Shop& shop) { shop.finishes.push_back(own); });
        edit(tr("finish"), [&](Piece& p) { p.choices.finish = own.id; });
    });
    connect(removeFinish_, &QPushButton::clicked, this, [this] {
        if (const int at = chosen(); at >= 0)
            editBook(tr("finish taken out"), [at](std::vector<Finish>& book) { book.erase(book.begin() + at); });
    });
    connect(usual, &QPushButton::clicked, this,
            [this] { editBook(tr("the usual book"), [](std::vector<Finish>& book) { book = commonFinishes(); }); });
    connect(finish_, &FieldForm::edited, this,
            [this](const QString& words, const std::string& path, const FieldValue& value) {
                if (const int at = chosen(); at >= 0)
                    editBook(words,
                             [&](std::vector<Finish>& book) { setField(book[static_cast<size_t>(at)], path, value); });
            });
    connect(layer_, &FieldForm::edited, this,
            [this](const QString& words, const std::string& path, const FieldValue& value) {
                editLayers(words, [&](std::vector<FinishLayer>& all) {
                    if (const int k = layer(); k >= 0) setField(all[static_cast<size_t>(k)], path, value);
                });
            });
    connect(addLayer_, &QPushButton::clicked, this, [this] {
        editLayers(tr("a layer"), [&](std::vector<FinishLayer>& all) {
            if (all.size() < mostFinishLayers) all.insert(all.begin() + layer() + 1, FinishLayer{});
        });
    });
    connect(removeLayer_, &QPushButton::clicked, this, [this] {
        editLayers(tr("layer taken out"), [&](std::vector<FinishLayer>& all) {
            if (const int k = layer(); k >= 0 && all.size() > 1) all.erase(all.begin() + k);
        });
    });
}

int FinishStage::chosen() const
{
    const auto& book = doc_.shop().finishes;
    const auto at = std::ranges::find(book, doc_.piece().choices.finish, &Finish::id);
    return at == book.end() ? -1 : static_cast<int>(at - book.begin());
}

int FinishStage::layer() const
{
    const int row = layers_->currentRow(), count = static_cast<int>(doc_.plan().finish.layers.size());
    return count == 0 ? -1 : std::clamp(row, 0, count - 1);
}

void FinishStage::refreshLayers()
{
    const Finish& finish = doc_.plan().finish;
    const FinishArea area = finishArea(doc_.piece(), doc_.plan().surfaces);
    QList<QStringList> rows;
    for (const FinishLayer& l : finish.layers) {
        const CoatMass mass = coatMass(l, area.all(), doc_.shop().leastMix);
        const auto g = [](double v) { return v > 0 ? tr("%1 g").arg(v, 0, 'f', 1) : QString(); };
        rows << QStringList{localized(l.name.c_str()),
                            QString::number(l.coats),
                            g(mass.all),
                            mixed(l, mass),
                            mass.shares.empty() ? QString() : g(mass.left),
                            duration(l.waitMinutes),
                            duration(l.waitMinutes * l.coats),
                            tr("%1 to %2 °C").arg(l.leastCelsius, 0, 'f', 0).arg(l.mostCelsius, 0, 'f', 0),
                            localized(l.between.c_str())};
    }
    if (rows.isEmpty())
        rows << QStringList{tr("one coat, as the shop has it"),
                            QStringLiteral("1"),
                            {},
                            {},
                            {},
                            duration(doc_.shop().finishMinutes),
                            duration(doc_.shop().finishMinutes),
                            {},
                            {}};
    const QSignalBlocker quiet(layers_);
    const int at = layers_->currentRow();
    layers_->setRows(rows);
    const bool mixes = std::ranges::any_of(finish.layers, [](const FinishLayer& l) { return !l.mix.empty(); });
    for (const int column : {3, 4}) layers_->setColumnHidden(column, !mixes);  // what is mixed, and what is left
    layers_->resizeRowsToContents();
    if (at >= 0) layers_->setCurrentCell(std::min(at, layers_->rowCount() - 1), 0);
    constexpr double perCm2 = 100;
    const FinishSum sum = sumOf(finish, area.all(), doc_.shop().leastMix);
    QString words =
        tr("%1 cm² outside, %2 cm² inside.").arg(area.outside / perCm2, 0, 'f', 0).arg(area.inside / perCm2, 0, 'f', 0);
    if (!finish.layers.empty())
        words += QLatin1Char(' ') +
                 tr("%1 g of finish and %2 of waiting in all.").arg(sum.grams, 0, 'f', 0).arg(duration(sum.minutes));
    if (const QString why = thirstWords(); !why.isEmpty()) words += QLatin1Char(' ') + why;
    if (!finish.layers.empty()) words += QLatin1Char('\n') + suitsWords(finish);
    area_->setText(words);
}

/// Why it has more or fewer coats than the book says.
QString FinishStage::thirstWords() const
{
    const int at = chosen();
    if (at < 0) return {};
    const Finish& book = doc_.shop().finishes[static_cast<size_t>(at)];
    const Finish& here = doc_.plan().finish;
    int more = 0;
    for (size_t i = 0; i < std::min(book.layers.size(), here.layers.size()); ++i)
        more += here.layers[i].coats - book.layers[i].coats;
    if (more == 0) return {};
    return more > 0 ? tr("%n coats more than the book: end grain or light wood drinks.", nullptr, more)
                    : tr("%n coats fewer than the book: hard wood without end grain.", nullptr, -more);
}

QString FinishStage::suitsWords(const Finish& finish) const
{
    QStringList all{tr("Shine: %1.").arg(wordsOf(choicesOf<Finish::Shine>()[static_cast<size_t>(finish.shine)]))};
    if (!finish.suits.empty()) all << tr("For %1.").arg(localized(finish.suits.c_str()));
    all << tr("Stain or dye: %1.").arg(wordsOf(choicesOf<Finish::Under>()[static_cast<size_t>(finish.color)]));
    all << (finish.food ? tr("For food once it has cured; the label comes first.") : tr("Not for food."));
    return all.join(QLatin1Char(' '));
}

void FinishStage::refreshBook()
{
    const int at = chosen(), k = layer();
    for (QWidget* w : std::initializer_list<QWidget*>{finish_, removeFinish_, addLayer_, removeLayer_})
        w->setVisible(at >= 0);
    layer_->setVisible(at >= 0 && k >= 0);
    if (at < 0) return;
    const Finish& finish = doc_.shop().finishes[static_cast<size_t>(at)];
    removeLayer_->setEnabled(finish.layers.size() > 1);
    std::vector<FieldItem> items = itemsOf(finish);
    std::erase_if(items, [](const FieldItem& i) { return i.path == "id"; });
    finish_->show(items);
    if (k >= 0 && k < static_cast<int>(finish.layers.size()))
        layer_->show(itemsOf(finish.layers[static_cast<size_t>(k)]));
}

void FinishStage::refresh()
{
    refreshRows();
    {
        const QSignalBlocker quiet(which_);
        which_->clear();
        which_->addItem(tr("one coat, as the shop has it"));
        for (const Finish& f : doc_.shop().finishes) which_->addItem(localized(f.name.c_str()));
        which_->setCurrentIndex(chosen() + 1);
    }
    refreshLayers();
    refreshBook();
    const Choices& c = doc_.piece().choices;
    const Finish& finish = doc_.plan().finish;
    QStringList grits;
    for (const int g : gritsFrom(c.firstGrit, finish.lastGrit)) grits << QString::number(g);
    grits_->setText(finish.raisesGrain ? tr("Grits %1; the last one cuts the raised grain back, after the sealer.")
                                             .arg(grits.join(QStringLiteral(" · ")))
                                       : tr("Grits %1, none left out.").arg(grits.join(QStringLiteral(" · "))));
    std::vector<FieldItem> items = itemsOf(c);
    std::erase_if(items, [](const FieldItem& i) { return i.path != "first_grit"; });
    grit_->show(items);
}

}  // namespace vl::app
