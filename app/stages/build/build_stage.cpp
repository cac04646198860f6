#include "app/stages/build/build_stage.h"

#include "app/fields/wood_picker.h"
#include "app/lanes/face_view.h"
#include "app/lanes/figures_lane.h"
#include "app/lanes/layer_tabs.h"
#include "app/stages/build/as_built_dialog.h"
#include "app/stages/build/layer_fields.h"
#include "app/stages/build/looks_panel.h"
#include "app/stages/build/paint_panel.h"
#include "app/stages/build/skin_lane.h"
#include "app/theme/theme.h"
#include "core/constructions/construction.h"
#include "core/workpiece/nest.h"
#include "core/measure/format.h"
#include "core/piece/edits/edit.h"
#include "core/plan/learning/as_built.h"

#include <QCheckBox>
#include <QComboBox>
#include <QPushButton>
#include <QShortcut>
#include <QSignalBlocker>
#include <QSpinBox>

namespace vl::app {

namespace {

/// What stands below the section in columns: of rings their figures; of any other construction what it has to set.
std::vector<FiguresLane::Row> rowsOf(Document& doc)
{
    const auto& layers = doc.plan().assembly.layers;
    const BuiltLayer& chosen = layers[static_cast<size_t>(doc.selection().layer)];
    std::vector<FiguresLane::Row> rows;
    auto figure = [&](const QString& name, FigureId id) {
        rows.push_back(FiguresLane::figureRow(doc, name, id, true));
    };
    const bool rings = std::ranges::any_of(layers, &BuiltLayer::segmented);
    if (rings && (chosen.segmented || chosen.settings.empty())) {
        figure(BuildStage::tr("segments"), FigureId::Segments);
        figure(BuildStage::tr("miter °"), FigureId::Miter);
        figure(BuildStage::tr("outer edge"), FigureId::OuterEdge);
        figure(BuildStage::tr("board width"), FigureId::BoardWidth);
    } else
        for (const Setting& s : chosen.settings) {
            if (rows.size() == 4) break;
            const auto settingOf = [&doc, name = s.name](int column) -> const Setting* {
                const auto& all = doc.plan().assembly.layers[static_cast<size_t>(column)].settings;
                const auto it = std::ranges::find(all, name, &Setting::name);
                return it == all.end() ? nullptr : &*it;
            };
            rows.push_back({localized(s.name.c_str()),
                            [settingOf, &doc](int column) {
                                const Setting* one = settingOf(column);
                                return one ? QString::fromStdString(settingText(*one, doc.style())) : QString();
                            },
                            [settingOf, &doc](int column) {
                                const Setting* one = settingOf(column);
                                return one ? workingOf(*one, doc.exact()) : Working{};
                            }});
        }
    figure(BuildStage::tr("plane to"), FigureId::PlaneTo);
    if (layers.size() > 1) figure(BuildStage::tr("overlap"), FigureId::OverlapBelow);
    return rows;
}

}  // namespace

BuildStage::BuildStage(Document& document, QWidget* parent) : Stage(document, tr("Build"), parent)
{
    makeLanes();
    makeChosen();
    makeWoods();
    makeStock();
    makeNest();
    makeDivide();
    group(tr("Worked back from the turned look"), "looks", false);
    addToPanel(new LooksPanel(doc_));
    makeAsBuilt();
    endPanel();

    refresh();
}

void BuildStage::makeLanes()
{
    section_ = addSection(SectionLane::Handles::Layers, &columns_, 9);
    skin_ = new SkinLane(doc_, columns_);
    auto* figures = new FiguresLane(
        doc_, columns_, tr("Figures of the layers"), 6, [this] { return rowsOf(doc_); },
        [this] { return doc_.selection().layer; });
    addLane(new LayerTabs(doc_, columns_), 0);
    addLane(skin_, 2);
    addLane(figures, 0);
    connect(figures, &FiguresLane::columnPressed, this,
            [this](int column, Qt::KeyboardModifiers keys) { doc_.selectLayer(column, keys); });
}

void BuildStage::makeChosen()
{
    title_ = new QLabel;
    title_->setProperty("role", "title");
    addToPanel(title_);
    auto pair = [this](FigureId left, const QString& leftName, FigureId right, const QString& rightName) {
        auto* line = new QHBoxLayout;
        line->setSpacing(14);
        for (const auto& [id, words] : {std::pair{left, leftName}, {right, rightName}}) {
            auto* row = new FigureRow(doc_, id, words, true);
            line->addWidget(row, 1);
            if (id != FigureId::PlaneTo && id != FigureId::OverlapBelow) ringFigures_.push_back(row);
        }
        addToPanel(line);
    };
    pair(FigureId::Fence, tr("Fence"), FigureId::OuterEdge, tr("Outer edge"));
    pair(FigureId::BoardWidth, tr("Board width"), FigureId::InnerEdge, tr("Inner edge"));
    pair(FigureId::PlaneTo, tr("Plane to"), FigureId::OverlapBelow, tr("Overlap"));

    group(tr("How it is built"), "form");
    kind_ = new QComboBox;
    for (const Choice& c : layerKinds()) kind_->addItem(wordsOf(c));
    kind_->setMaxVisibleItems(12);
    kind_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    row(tr("Layer is a"), kind_);
    connect(kind_, &QComboBox::activated, this, [this](int k) {
        editLayers(tr("kind of layer"), [k](Layer& l) { l = asKind(l, static_cast<size_t>(k)); });
    });
    segments_ = new QSpinBox;
    segments_->setRange(static_cast<int>(limits::segments.low), static_cast<int>(limits::segments.high));
    segments_->setAccessibleName(tr("Segments"));
    segments_->setKeyboardTracking(false);
    connect(segments_, &QSpinBox::valueChanged, this, [this](int n) {
        editLayers(tr("segments"), [n](Layer& l) {
            if (int* count = l.counted()) *count = n;
        });
    });
    row(tr("Segments"), segments_);
    thickness_ = layerRow(&Layer::thickness);
    turn_ = new QDoubleSpinBox;
    turn_->setRange(-100, 100);
    turn_->setDecimals(3);
    turn_->setSingleStep(0.25);
    turn_->setSuffix(tr(" of a segment"));
    turn_->setAccessibleName(tr("Rotation"));
    turn_->setToolTip(tr("on from the layer below"));
    turn_->setKeyboardTracking(false);
    row(tr("Turned on by"), turn_);
    connect(turn_, &QDoubleSpinBox::valueChanged, this, [this](double v) {
        editLayers(tr("rotation"), [v](Layer& l) {
            if (Sectors* sectors = l.sectors()) sectors->turn = v;
        });
    });
    form_ = new LayerFields(
        doc_, [this](const QString& what, const std::function<void(Layer&)>& change) { editLayers(what, change); });
    addToPanel(form_);
}

void BuildStage::makeWoods()
{
    group(tr("Woods round the ring, repeating"), "woods");
    pattern_ = new PatternEdit(doc_);
    addToPanel(pattern_);
    connect(pattern_, &PatternEdit::edited, this, [this](const std::vector<std::string>& woods) {
        editLayers(tr("woods"), [&](Layer& l) { l.woods = woods; });
    });
    group(tr("Paint and pattern"), "paint", false);
    auto* paint = new PaintPanel(doc_);
    addToPanel(paint);
    connect(paint, &PaintPanel::brushChanged, skin_, &SkinLane::setBrush);
    connect(paint, &PaintPanel::brushChanged, section_->face(), &FaceView::setBrush);
    auto* escape = new QShortcut(Qt::Key_Escape, this);
    escape->setContext(Qt::WidgetWithChildrenShortcut);
    connect(escape, &QShortcut::activated, paint, &PaintPanel::putDown);
    connect(paint, &PaintPanel::pictureWanted, this, [this, paint] { emit pictureWanted(paint); });
    auto* brick = new QPushButton(tr("Half a segment on, like brickwork"));
    connect(brick, &QPushButton::clicked, this, [this] {
        doc_.apply(tr("brickwork"),
                   [this](Piece p) { return edit::brickwork(std::move(p), doc_.wantedSelection().layers); });
    });
    addToPanel(brick);
}

void BuildStage::makeStock()
{
    group(tr("Stock and allowance"), "stock", false);
    outerAllowance_ = layerRow(&Layer::outerAllowance);
    innerAllowance_ = layerRow(&Layer::innerAllowance);
    sanding_ = layerRow(&Layer::sandingLoss);
    byHand_ = new QCheckBox(tr("Set the stock's diameters by hand"));
    addToPanel(byHand_);
    connect(byHand_, &QCheckBox::clicked, this, [this](bool on) {
        edit(tr("stock by hand"), [&](Piece& p) {
            for (const int i : doc_.wantedSelection().layers) {
                Layer& l = p.layers.at(static_cast<size_t>(i));
                const RegularRing& stock = doc_.plan().assembly.layers.at(static_cast<size_t>(i)).stock;
                l.stockOuter = on ? std::optional(stock.outer) : std::nullopt;
                l.stockInner = on && l.is<RingForm>() ? std::optional(stock.inner) : std::nullopt;
            }
        });
    });
    stockOuter_ = lengthRow(wordsOf(fieldOf(&Layer::stockOuter)), fieldOf(&Layer::stockOuter).limit);
    stockInner_ = lengthRow(wordsOf(fieldOf(&Layer::stockInner)), fieldOf(&Layer::stockInner).limit);
    connect(stockOuter_, &LengthField::edited, this,
            [this](double mm) { editLayers(tr("stock outside"), [mm](Layer& l) { l.stockOuter = mm; }); });
    connect(stockInner_, &LengthField::edited, this,
            [this](double mm) { editLayers(tr("stock inside"), [mm](Layer& l) { l.stockInner = mm; }); });
    figure(FigureId::StockOuter, tr("Stock outside, this layer"), true);
    figure(FigureId::StockInner, tr("Stock inside, this layer"), true);
    figure(FigureId::Rotation, tr("Rotation, this layer"), true);
    figure(FigureId::RoughWeight, tr("Weight of the blank"), false);
}

void BuildStage::makeNest()
{
    group(tr("Rings parted one inside another"), "nest", false);
    nest_ = new FieldForm(doc_);
    addToPanel(nest_);
    connect(nest_, &FieldForm::edited, this,
            [this](const QString& words, const std::string& path, const FieldValue& value) {
                edit(words, [&](Piece& p) { setField(p.nest, path, value); });
            });
    nestSaid_ = new QLabel;
    nestSaid_->setWordWrap(true);
    addToPanel(nestSaid_);
}

void BuildStage::makeDivide()
{
    group(tr("Start the layers afresh"), "divide", false);
    auto* rings = new QSpinBox;
    rings->setRange(1, 100);
    rings->setValue(8);
    rings->setAccessibleName(tr("Rings"));
    row(tr("Rings"), rings);
    auto* sides = new QSpinBox;
    sides->setRange(3, 96);
    sides->setValue(12);
    sides->setAccessibleName(tr("Segments each"));
    row(tr("Segments each"), sides);
    auto* go = new QPushButton(tr("A base disc and equal rings"));
    go->setObjectName("divide");
    connect(go, &QPushButton::clicked, this, [this, rings, sides] {
        doc_.apply(tr("divide the height"), [&](Piece p) {
            const double base = std::min(12.0, outlineHeight(p) / 4);
            return edit::divide(std::move(p), base, rings->value(), sides->value());
        });
    });
    addToPanel(go);
}

void BuildStage::editLayers(const QString& what, const std::function<void(Layer&)>& change)
{
    edit(what, [&](Piece& p) {
        for (const int i : doc_.wantedSelection().layers) change(p.layers[static_cast<size_t>(i)]);
    });
}

LengthField* BuildStage::layerRow(double Layer::*member)
{
    const Field declared = fieldOf(member);
    LengthField* field = lengthRow(wordsOf(declared), declared.limit);
    connect(field, &LengthField::edited, this, [this, member, words = wordsOf(declared)](double mm) {
        editLayers(words, [&](Layer& l) { l.*member = mm; });
    });
    return field;
}

void BuildStage::makeAsBuilt()
{
    group(tr("As built: measured on the wood"), "as-built", false);
    const auto kinds = choicesOf<Measured::What>();
    for (size_t k = 0; k < measured_.size(); ++k) {
        const auto what = static_cast<Measured::What>(k);
        measured_[k] = lengthRow(wordsOf(kinds[k]), fieldOf(&Measured::value).limit);
        measured_[k]->setObjectName(QStringLiteral("measured-%1").arg(QLatin1String(kinds[k].name)));
        connect(measured_[k], &LengthField::edited, this, [this, what](double mm) {
            const std::string& id = doc_.piece().layers[static_cast<size_t>(doc_.selection().layer)].id;
            doc_.apply(tr("measured"),
                       [&](Piece p) { return withMeasured(std::move(p), doc_.plan(), {id, what, mm}); });
        });
    }
    built_ = new QLabel;
    built_->setWordWrap(true);
    built_->setObjectName("as-built");
    addToPanel(built_);
    for (size_t k = 0; k < ways_.size(); ++k) {
        ways_[k] = new QPushButton;
        ways_[k]->setObjectName(QStringLiteral("way-on-%1").arg(k));
        addToPanel(ways_[k]);
        connect(ways_[k], &QPushButton::clicked, this, [this, k] {
            const std::vector<WayOn> ways = waysOn(doc_.piece(), doc_.shop());
            if (k < ways.size()) doc_.applyInstead(tr("as built"), doc_.piece(), ways[k].piece);
        });
    }
    auto* all = new QPushButton(tr("All measures, ways side by side …"));
    all->setObjectName("as-built-all");
    addToPanel(all);
    connect(all, &QPushButton::clicked, this, [this] { AsBuiltDialog(doc_, {}, this).exec(); });
}

void BuildStage::refreshAsBuilt()
{
    const auto at = static_cast<size_t>(doc_.selection().layer);
    const Layer& layer = doc_.piece().layers[at];
    const BuiltLayer& built = doc_.plan().assembly.layers[at];
    for (size_t k = 0; k < measured_.size(); ++k) {
        const auto what = static_cast<Measured::What>(k);
        const double mm = measuredOf(doc_.piece(), layer.id, what),
                     drawn = plannedOf(doc_.piece(), doc_.plan(), {layer.id, what});
        measured_[k]->setEnabled(!std::isnan(drawn));
        measured_[k]->setValue(!std::isnan(mm) ? mm : std::isnan(drawn) ? 0 : drawn);
    }
    const Left left = leftOf(doc_.piece(), layer.id, built.finishedOuter.high, built.finishedInner.low);
    const auto said = [this](double v) { return QString::fromStdString(formatLength(v, doc_.style())); };
    QStringList words;
    if (!std::isnan(left.outside))
        words << (left.outside < 0 ? tr("The ring is %1 too small outside, on the radius.").arg(said(-left.outside))
                                   : tr("%1 are left outside, on the radius.").arg(said(left.outside)));
    if (!std::isnan(left.inside) && built.finishedInner.low > 0)
        words << (left.inside < 0 ? tr("Its hole is %1 too wide, on the radius.").arg(said(-left.inside))
                                  : tr("%1 are left inside, on the radius.").arg(said(left.inside)));
    // While a drag goes on nothing is measured.
    const std::vector<WayOn> ways = doc_.live() ? std::vector<WayOn>() : waysOn(doc_.piece(), doc_.shop());
    if (!ways.empty()) words << tr("It is not as it was to be. Ways on:");
    built_->setText(words.isEmpty() ? tr("Type what the wood measures; what is drawn stands there until then.")
                                    : words.join(QLatin1Char(' ')));
    for (size_t k = 0; k < ways_.size(); ++k) {
        ways_[k]->setVisible(k < ways.size());
        if (k < ways.size()) ways_[k]->setText(QString::fromStdString(print(ways[k].name, doc_.style())));
    }
}

void BuildStage::refresh()
{
    const Selection& s = doc_.selection();
    const Piece& p = doc_.piece();
    const auto at = static_cast<size_t>(s.layer);
    const Layer& l = p.layers[at];
    const BuiltLayer& b = doc_.plan().assembly.layers[at];
    const bool ring = l.is<RingForm>();
    title_->setText(s.layers.size() > 1 ? tr("%1 layers chosen, changed together").arg(s.layers.size())
                    : ring              ? tr("Ring %1").arg(at + 1)
                    : l.is<DiscForm>()  ? tr("Disc %1").arg(at + 1)
                                        : tr("Layer %1, %2").arg(at + 1).arg(wordsOf(layerKinds()[l.form.index()])));
    auto show = [&](LengthField* field, auto&& get) {
        for (const int i : s.layers)
            if (get(static_cast<size_t>(i)) != get(at)) return field->setMixed();
        field->setValue(get(at));
    };
    show(thickness_, [&](size_t i) { return p.layers[i].thickness; });
    show(outerAllowance_, [&](size_t i) { return p.layers[i].outerAllowance; });
    show(innerAllowance_, [&](size_t i) { return p.layers[i].innerAllowance; });
    show(sanding_, [&](size_t i) { return p.layers[i].sandingLoss; });
    const bool hand = l.stockOuter || l.stockInner;
    byHand_->setChecked(hand);
    stockOuter_->setValue(b.stock.outer);
    stockInner_->setValue(b.stock.inner);
    stockOuter_->setEnabled(hand);
    stockInner_->setEnabled(hand && ring);
    kind_->setCurrentIndex(static_cast<int>(l.form.index()));
    const QSignalBlocker quietSegments(segments_), quietTurn(turn_);
    const int* counted = l.counted();
    const Sectors* sectors = l.sectors();
    segments_->setMinimum(counted ? static_cast<int>(limits::segments.low) : 1);
    segments_->setValue(counted ? *counted : b.count());
    for (FigureRow* f : ringFigures_) f->setVisible(b.segmented);
    segments_->setEnabled(counted);
    turn_->setValue(sectors ? sectors->turn : 0);
    turn_->setEnabled(sectors && s.layer > 0);
    pattern_->setWoods(l.woods, b.count());
    form_->refresh();
    refreshAsBuilt();
    nest_->show(itemsOf(p.nest));
    QStringList rings;
    for (const NestedRing& r : nestedRings(p.nest))
        rings << QStringLiteral("%1 / %2").arg(QString::fromStdString(formatLength(r.outer, doc_.style())),
                                               QString::fromStdString(formatLength(r.inner, doc_.style())));
    nestSaid_->setVisible(p.nest.on);
    nestSaid_->setText(
        rings.isEmpty()
            ? tr("Not one ring fits.")
            : tr("%1 rings, Ø outside / inside: %2").arg(rings.size()).arg(rings.join(QStringLiteral(" · "))));
}

}  // namespace vl::app
