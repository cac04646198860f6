#include "app/stages/build/layer_fields.h"

#include "app/fields/field_form.h"
#include "app/fields/layer_settings.h"
#include "app/fields/length_field.h"
#include "app/stages/build/leftovers_panel.h"
#include "core/constructions/flipped_board.h"
#include "core/geometry/board_rings.h"
#include "core/measure/input_error.h"

#include <QLabel>
#include <QPushButton>
#include <QSpinBox>
#include <QVBoxLayout>

#include <algorithm>

namespace vl::app {
namespace {

/// Rows that stand elsewhere in the panel: the count and the rotation, which every layer shows.
bool elsewhere(const std::string& path)
{
    return path == "form.segments" || path == "form.turn" || path == "form.boards" ||
           (!path.starts_with("form.") && path != "parted_from_mm");
}

/// Whether a layer of this construction is thin enough at times to be glued on thick.
bool canBeParted(const Layer& l) { return l.is<DiscForm>() || l.is<RingForm>() || l.is<SheetForm>(); }

void addRow(QVBoxLayout* column, const QString& name, QWidget* field)
{
    auto* line = new QHBoxLayout;
    auto* label = new QLabel(name);
    label->setBuddy(field);
    label->setProperty("role", "quiet");
    field->setAccessibleName(name);
    line->addWidget(label, 3);
    line->addWidget(field, 4);
    column->addLayout(line);
}

}  // namespace

LayerFields::LayerFields(Document& document,
                         std::function<void(const QString&, const std::function<void(Layer&)>&)> change,
                         QWidget* parent)
    : QWidget(parent), doc_(document), change_(std::move(change))
{
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    form_ = new FieldForm(document);
    connect(form_, &FieldForm::edited, this,
            [this](const QString& words, const std::string& path, const FieldValue& value) {
                change_(words, [&](Layer& l) { setField(l, path, value); });
            });
    settings_ = new LayerSettings(document);
    offcuts_ = makeOffcuts();
    wallRow_ = makeWall();
    for (QWidget* w : {offcuts_, static_cast<QWidget*>(form_), wallRow_, static_cast<QWidget*>(settings_)})
        column->addWidget(w);
}

const Layer& LayerFields::layer() const { return doc_.piece().layers[static_cast<size_t>(doc_.selection().layer)]; }

void LayerFields::refresh()
{
    std::vector<FieldItem> items = itemsOf(layer());
    std::erase_if(items, [&](const FieldItem& i) {
        return elsewhere(i.path) || (i.path == "parted_from_mm" && !canBeParted(layer()));
    });
    // Being parted down comes after what the construction asks for.
    std::ranges::stable_partition(items, [](const FieldItem& i) { return i.path != "parted_from_mm"; });
    form_->show(items, [this](const std::string& path) { return usual(path); });
    offcuts_->setVisible(layer().is<SlabForm>());
    wallRow_->setVisible(layer().is<BoardRingForm>());
    refreshOffcuts();
    refreshWall();
    settings_->refresh();
}

double LayerFields::usual(const std::string& path) const
{
    if (path == "parted_from_mm") return layer().thickness + 12;
    for (const Setting& s : doc_.plan().assembly.layers[static_cast<size_t>(doc_.selection().layer)].settings)
        if (s.usualOf == path) return s.value;
    return 0;
}

/// What strips that are there already give: their measures typed in, the finished board read off, and the layer made of
/// them with a press.
QWidget* LayerFields::makeOffcuts()
{
    auto* box = new QWidget;
    auto* column = new QVBoxLayout(box);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(4);
    auto* title = new QLabel(tr("These offcuts give"));
    title->setProperty("role", "quiet");
    column->addWidget(title);
    auto* strips = new QSpinBox;
    strips->setRange(2, 96);
    strips->setValue(offcutStrips_);
    addRow(column, tr("Strips there are"), strips);
    connect(strips, &QSpinBox::valueChanged, this, [this](int n) {
        offcutStrips_ = n;
        refreshOffcuts();
    });
    const QString names[] = {tr("Sawn width of each"), tr("Length of the shortest"), tr("Thickness of the thinnest")};
    const Limit allowed[] = {fieldOf(&SlabForm::strip).limit, fieldOf(&Board::length).limit, limits::thickness};
    for (size_t k = 0; k < 3; ++k) {
        auto* field = new LengthField(doc_, names[k], allowed[k]);
        field->setValue(offcut_[k]);
        addRow(column, names[k], field);
        connect(field, &LengthField::edited, this, [this, k](double mm) {
            offcut_[k] = mm;
            refreshOffcuts();
        });
    }
    offcutsSaid_ = new QLabel;
    offcutsSaid_->setWordWrap(true);
    column->addWidget(offcutsSaid_);
    useOffcuts_ = new QPushButton(tr("Make the layer of these"));
    useOffcuts_->setObjectName("use-offcuts");
    column->addWidget(useOffcuts_);
    column->addWidget(new LeftoversPanel(doc_, change_));
    return box;
}

void LayerFields::refreshOffcuts()
{
    useOffcuts_->disconnect(this);
    const SlabForm* f = layer().as<SlabForm>();
    if (!f) return;
    try {
        const FlippedBoard b = flippedFrom(offcutStrips_, offcut_[0], offcut_[1], offcut_[2], f->row, f->jointing,
                                           f->flattening, doc_.shop().kerf, FlippedBoard{}.trim);
        auto mm = [this](double v) { return QString::fromStdString(formatLength(v, doc_.style())); };
        offcutsSaid_->setText(tr("a board %1 × %2, %3 thick: %4 strips, %5 rows")
                                  .arg(mm(b.width()), mm(b.length()), mm(b.thickness))
                                  .arg(b.strips)
                                  .arg(b.rows));
        connect(useOffcuts_, &QPushButton::clicked, this, [this, b] {
            change_(tr("of these offcuts"), [&](Layer& l) {
                SlabForm* slab = l.as<SlabForm>();
                if (!slab) return;
                slab->strip = b.strip;
                l.thickness = b.thickness;
                l.stockOuter = std::min(b.width(), slab->pattern == SlabForm::Checkered ? b.length() : b.width());
                clampToLimits(l);
            });
        });
        useOffcuts_->setEnabled(true);
    } catch (const InputError& e) {
        offcutsSaid_->setText(QString::fromStdString(e.what()));
        useOffcuts_->setEnabled(false);
    }
}

/// The wall of rings from one board, in place of the angle that leaves it.
QWidget* LayerFields::makeWall()
{
    auto* box = new QWidget;
    auto* column = new QVBoxLayout(box);
    column->setContentsMargins(0, 0, 0, 0);
    const QString words = tr("Wall, square to the cut");
    wall_ = new LengthField(doc_, words, limits::wall);
    addRow(column, words, wall_);
    connect(wall_, &LengthField::edited, this, [this](double mm) {
        const BoardRingForm* f = layer().as<BoardRingForm>();
        if (!f) return;
        try {
            const double angle = boardRingAngleDeg(layer().thickness / f->rings, mm, f->kerf);
            change_(tr("wall of the rings"), [angle](Layer& l) {
                if (BoardRingForm* q = l.as<BoardRingForm>()) q->angle = angle;
                clampToLimits(l);
            });
        } catch (const InputError& e) {
            emit doc_.refused(QString::fromStdString(e.what()));
        }
        refresh();
    });
    return box;
}

void LayerFields::refreshWall()
{
    if (const BoardRingForm* f = layer().as<BoardRingForm>())
        wall_->setValue(
            BoardRings{.board = layer().thickness / f->rings, .angleDeg = f->angle, .kerf = f->kerf}.wall());
}

}  // namespace vl::app
