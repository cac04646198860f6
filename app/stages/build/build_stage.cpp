#include "app/stages/build/build_stage.h"

#include "app/fields/wood_picker.h"
#include "app/lanes/figures_lane.h"
#include "app/lanes/ring_view.h"
#include "app/stages/build/layer_fields.h"
#include "app/stages/build/paint_panel.h"
#include "app/stages/build/skin_lane.h"
#include "app/theme/theme.h"
#include "core/blank/construction.h"
#include "core/blank/nest.h"
#include "core/piece/edit.h"

#include <QCheckBox>
#include <QComboBox>
#include <QPushButton>
#include <QSignalBlocker>
#include <QSpinBox>

namespace vl::app {

BuildStage::BuildStage(Document& document, QWidget* parent) : Stage(document, tr("Build"), parent)
{
    section_ = new SectionLane(document, axis_, SectionLane::Handles::Layers);
    skin_ = new SkinLane(document, axis_);
    addLane(section_, 3);
    addLane(skin_, 2);
    addLane(new FiguresLane(document, axis_, tr("FIGURES"), FiguresLane::Columns::Layers,
                            {FiguresLane::layerRow(document, tr("segments"), FigureId::Segments, true),
                             FiguresLane::layerRow(document, tr("miter °"), FigureId::Miter, true),
                             FiguresLane::layerRow(document, tr("outer edge"), FigureId::OuterEdge, true),
                             FiguresLane::layerRow(document, tr("board width"), FigureId::BoardWidth, true),
                             FiguresLane::layerRow(document, tr("overlap"), FigureId::OverlapBelow, true)}),
            0);
    connect(section_, &SectionLane::cautionClicked, this, &Stage::cautionClicked);

    title_ = heading({});
    ring_ = new RingView(document);
    ring_->setFixedSize(164, 182);
    auto* plan = new QHBoxLayout;
    plan->setSpacing(10);
    plan->addWidget(ring_);
    auto* figures = new QVBoxLayout;
    figures->setSpacing(4);
    for (const auto& [id, name] : {std::pair{FigureId::Fence, tr("Fence")},
                                   {FigureId::OuterEdge, tr("Outer edge")},
                                   {FigureId::InnerEdge, tr("Inner edge")},
                                   {FigureId::BoardWidth, tr("Board width")},
                                   {FigureId::PlaneTo, tr("Plane to")},
                                   {FigureId::OverlapBelow, tr("Overlap")}})
        ringFigures_.push_back(new FigureRow(document, id, name, true));
    for (FigureRow* f : ringFigures_) figures->addWidget(f);
    figures->addStretch();
    plan->addLayout(figures, 1);
    addToPanel(plan);
    kind_ = new QComboBox;
    for (const Choice& c : layerKinds()) kind_->addItem(wordsOf(c));
    kind_->setMaxVisibleItems(12);
    row(tr("Layer is a"), kind_);
    connect(kind_, &QComboBox::activated, this, [this](int k) {
        editLayers(tr("kind of layer"), [k](Layer& l) { l = asKind(l, static_cast<size_t>(k)); });
    });
    segments_ = new QSpinBox;
    segments_->setRange(static_cast<int>(limits::segments.low), static_cast<int>(limits::segments.high));
    segments_->setAccessibleName(tr("Segments"));
    segments_->setKeyboardTracking(false);
    row(tr("Segments"), segments_);
    connect(segments_, &QSpinBox::valueChanged, this, [this](int n) {
        editLayers(tr("segments"), [n](Layer& l) {
            if (int* count = l.counted()) *count = n;
        });
    });
    thickness_ = layerRow(&Layer::thickness);
    form_ = new LayerFields(
        document, [this](const QString& what, const std::function<void(Layer&)>& change) { editLayers(what, change); });
    addToPanel(form_);

    heading(tr("WOODS ROUND THE RING, REPEATING"));
    pattern_ = new PatternEdit(doc_);
    addToPanel(pattern_);
    connect(pattern_, &PatternEdit::edited, this, [this](const std::vector<std::string>& woods) {
        editLayers(tr("woods"), [&](Layer& l) { l.woods = woods; });
    });
    heading(tr("PAINT AND PATTERN ON THE SKIN"));
    auto* paint = new PaintPanel(document);
    addToPanel(paint);
    connect(paint, &PaintPanel::brushChanged, skin_, &SkinLane::setBrush);
    connect(paint, &PaintPanel::pictureWanted, this, [this, paint] { emit pictureWanted(paint); });

    heading(tr("ROTATION ON FROM THE LAYER BELOW"));
    turn_ = new QDoubleSpinBox;
    turn_->setRange(-100, 100);
    turn_->setDecimals(3);
    turn_->setSingleStep(0.25);
    turn_->setSuffix(tr(" of a segment"));
    turn_->setAccessibleName(tr("Rotation"));
    turn_->setKeyboardTracking(false);
    row(tr("Rotation"), turn_);
    connect(turn_, &QDoubleSpinBox::valueChanged, this, [this](double v) {
        editLayers(tr("rotation"), [v](Layer& l) {
            if (Sectors* sectors = l.sectors()) sectors->turn = v;
        });
    });
    auto* brick = new QPushButton(tr("Half a segment on, like brickwork"));
    connect(brick, &QPushButton::clicked, this,
            [this] { doc_.apply(tr("brickwork"), edit::brickwork(doc_.piece(), doc_.selection().layers)); });
    addToPanel(brick);

    heading(tr("STOCK"));
    outerAllowance_ = layerRow(&Layer::outerAllowance);
    innerAllowance_ = layerRow(&Layer::innerAllowance);
    sanding_ = layerRow(&Layer::sandingLoss);
    byHand_ = new QCheckBox(tr("Set the stock's diameters by hand"));
    addToPanel(byHand_);
    connect(byHand_, &QCheckBox::clicked, this, [this](bool on) {
        edit(tr("stock by hand"), [&](Piece& p) {
            for (const int i : doc_.selection().layers) {
                Layer& l = p.layers[static_cast<size_t>(i)];
                const RegularRing& stock = doc_.plan().assembly.layers[static_cast<size_t>(i)].stock;
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

    heading(tr("THE BLANK"));
    figure(FigureId::StockOuter, tr("Stock outside, this layer"), true);
    figure(FigureId::StockInner, tr("Stock inside, this layer"), true);
    figure(FigureId::Rotation, tr("Rotation, this layer"), true);
    figure(FigureId::RoughWeight, tr("Weight of the blank"), false);
    makeNest();
    makeDivide();
    endPanel();

    refresh();
}

void BuildStage::makeNest()
{
    heading(tr("RINGS PARTED ONE INSIDE ANOTHER"));
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
    heading(tr("START THE LAYERS AFRESH"));
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
        const double base = std::min(12.0, outlineHeight(doc_.piece()) / 4);
        doc_.apply(tr("divide the height"), edit::divide(doc_.piece(), base, rings->value(), sides->value()));
    });
    addToPanel(go);
}

void BuildStage::editLayers(const QString& what, const std::function<void(Layer&)>& change)
{
    edit(what, [&](Piece& p) {
        for (const int i : doc_.selection().layers) change(p.layers[static_cast<size_t>(i)]);
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

void BuildStage::refresh()
{
    const Selection& s = doc_.selection();
    const Piece& p = doc_.piece();
    const auto at = static_cast<size_t>(s.layer);
    const Layer& l = p.layers[at];
    const BuiltLayer& b = doc_.plan().assembly.layers[at];
    const bool ring = l.is<RingForm>();
    title_->setText(s.layers.size() > 1 ? tr("%1 LAYERS CHOSEN, CHANGED TOGETHER").arg(s.layers.size())
                    : ring              ? tr("RING %1").arg(at + 1)
                    : l.is<DiscForm>()
                        ? tr("DISC %1").arg(at + 1)
                        : tr("LAYER %1, %2").arg(at + 1).arg(wordsOf(layerKinds()[l.form.index()]).toUpper()));
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
    // What only a ring of mitred segments has.
    for (size_t k = 0; k < 4; ++k) ringFigures_[k]->setVisible(b.segmented);
    segments_->setEnabled(counted);
    turn_->setValue(sectors ? sectors->turn : 0);
    turn_->setEnabled(sectors && s.layer > 0);
    pattern_->setWoods(l.woods, b.count());
    form_->refresh();
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
