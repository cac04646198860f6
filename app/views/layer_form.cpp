#include "app/views/layer_form.h"

#include "app/views/layer_settings.h"
#include "app/views/length_field.h"
#include "app/views/wood_picker.h"
#include "core/blank/flipped_board.h"
#include "core/geometry/board_rings.h"
#include "core/measure/input_error.h"

#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QSignalBlocker>
#include <QSpinBox>
#include <QVBoxLayout>

namespace vl::app {

LayerForm::LayerForm(Document& document, std::function<void(const QString&, const std::function<void(Layer&)>&)> change, QWidget* parent)
    : QWidget(parent), doc_(document), change_(std::move(change))
{
    column_ = new QVBoxLayout(this);
    column_->setContentsMargins(0, 0, 0, 0);
    settings_ = new LayerSettings(document);
    column_->addWidget(settings_);
}

QString LayerForm::shape(const Layer& l) const
{
    return QStringLiteral("%1 %2 %3 %4 %5")
        .arg(static_cast<int>(l.kind))
        .arg(static_cast<int>(l.joint.kind))
        .arg(static_cast<int>(l.madeUp.kind))
        .arg(static_cast<int>(l.slab.kind))
        .arg(l.wrapped.wedges);
}

void LayerForm::refresh()
{
    const Layer& layer = doc_.piece().layers[static_cast<size_t>(doc_.selection().layer)];
    if (shape_ != shape(layer)) rebuild(layer);
    for (const auto& read : readers_) read(layer);
    settings_->refresh();
}

void LayerForm::row(const QString& name, QWidget* field)
{
    auto* line = new QHBoxLayout;
    auto* label = new QLabel(name);
    label->setBuddy(field);
    label->setProperty("role", "quiet");
    field->setAccessibleName(name);
    field->setFocusPolicy(Qt::StrongFocus);
    line->addWidget(label, 3);
    line->addWidget(field, 4);
    static_cast<QVBoxLayout*>(inner_->layout())->addLayout(line);
}

void LayerForm::length(const QString& name, const Limit& limit, std::function<double&(Layer&)> member)
{
    auto* field = new LengthField(doc_, name, limit);
    row(name, field);
    connect(field, &LengthField::edited, this, [this, name, member](double mm) { change_(name, [&](Layer& l) { member(l) = mm; }); });
    readers_.push_back([field, member](const Layer& l) { field->setValue(member(const_cast<Layer&>(l))); });
}

void LayerForm::optionalLength(const QString& name, const Limit& limit, std::function<std::optional<double>&(Layer&)> member, std::function<double(const Layer&)> usual)
{
    auto* on = new QCheckBox(name);
    inner_->layout()->addWidget(on);
    auto* field = new LengthField(doc_, name, limit);
    inner_->layout()->addWidget(field);
    connect(on, &QCheckBox::clicked, this, [this, name, member, usual](bool set) { change_(name, [&](Layer& l) { member(l) = set ? std::optional(usual(l)) : std::nullopt; }); });
    connect(field, &LengthField::edited, this, [this, name, member](double mm) { change_(name, [&](Layer& l) { member(l) = mm; }); });
    readers_.push_back([=](const Layer& l) {
        const auto& value = member(const_cast<Layer&>(l));
        on->setChecked(value.has_value());
        field->setVisible(value.has_value());
        field->setValue(value.value_or(usual(l)));
    });
}

void LayerForm::number(const QString& name, const Limit& limit, int decimals, const QString& suffix, std::function<double&(Layer&)> member)
{
    auto* field = new QDoubleSpinBox;
    field->setRange(limit.low, limit.high);
    field->setDecimals(decimals);
    field->setSuffix(suffix);
    field->setKeyboardTracking(false);
    row(name, field);
    connect(field, &QDoubleSpinBox::valueChanged, this, [this, name, member](double v) { change_(name, [&](Layer& l) { member(l) = v; }); });
    readers_.push_back([field, member](const Layer& l) {
        const QSignalBlocker quiet(field);
        field->setValue(member(const_cast<Layer&>(l)));
    });
}

void LayerForm::whole(const QString& name, const Limit& limit, std::function<int&(Layer&)> member)
{
    auto* field = new QSpinBox;
    field->setRange(static_cast<int>(limit.low), static_cast<int>(limit.high));
    field->setKeyboardTracking(false);
    row(name, field);
    connect(field, &QSpinBox::valueChanged, this, [this, name, member](int v) { change_(name, [&](Layer& l) { member(l) = v; }); });
    readers_.push_back([field, member](const Layer& l) {
        const QSignalBlocker quiet(field);
        field->setValue(member(const_cast<Layer&>(l)));
    });
}

void LayerForm::choice(const QString& name, const QStringList& words, std::function<int(const Layer&)> get, std::function<void(Layer&, int)> set)
{
    auto* field = new QComboBox;
    field->addItems(words);
    row(name, field);
    connect(field, &QComboBox::activated, this, [this, name, set](int k) { change_(name, [&](Layer& l) { set(l, k); }); });
    readers_.push_back([field, get](const Layer& l) { field->setCurrentIndex(get(l)); });
}

void LayerForm::check(const QString& name, std::function<bool&(Layer&)> member)
{
    auto* field = new QCheckBox(name);
    inner_->layout()->addWidget(field);
    connect(field, &QCheckBox::clicked, this, [this, name, member](bool on) { change_(name, [&](Layer& l) { member(l) = on; }); });
    readers_.push_back([field, member](const Layer& l) { field->setChecked(member(const_cast<Layer&>(l))); });
}

void LayerForm::wood(const QString& name, std::function<std::string&(Layer&)> member)
{
    auto* field = new QPushButton;
    row(name, field);
    connect(field, &QPushButton::clicked, this, [this, field, name, member] {
        chooseWood(field, [this, name, member](const std::string& id) { change_(name, [&](Layer& l) { member(l) = id; }); });
    });
    readers_.push_back([field, member](const Layer& l) {
        const Species& s = speciesOf(member(const_cast<Layer&>(l)));
        field->setText(QString::fromUtf8(s.name));
        field->setIcon(QIcon(woodSwatch(s, {18, 18})));
    });
}

/// What strips that are there already give: their measures typed in, the finished board read off, and the layer made of them with a press.
void LayerForm::offcuts()
{
    auto* title = new QLabel(tr("These offcuts give"));
    title->setProperty("role", "quiet");
    inner_->layout()->addWidget(title);
    auto* strips = new QSpinBox;
    strips->setRange(2, 96);
    strips->setValue(offcutStrips_);
    row(tr("Strips there are"), strips);
    std::array<LengthField*, 3> fields{};
    const QString names[] = {tr("Sawn width of each"), tr("Length of the shortest"), tr("Thickness of the thinnest")};
    const Limit allowed[] = {limits::strip, limits::boardLength, limits::thickness};
    for (size_t k = 0; k < 3; ++k) {
        fields[k] = new LengthField(doc_, names[k], allowed[k]);
        fields[k]->setValue(offcut_[k]);
        row(names[k], fields[k]);
    }
    auto* said = new QLabel;
    said->setWordWrap(true);
    inner_->layout()->addWidget(said);
    auto* use = new QPushButton(tr("Make the layer of these"));
    use->setObjectName("use-offcuts");
    inner_->layout()->addWidget(use);
    auto board = [this]() -> FlippedBoard {
        const SlabForm& f = doc_.piece().layers[static_cast<size_t>(doc_.selection().layer)].slab;
        return flippedFrom(offcutStrips_, offcut_[0], offcut_[1], offcut_[2], f.row, f.jointing, f.flattening, doc_.shop().kerf, FlippedBoard{}.trim);
    };
    auto read = [this, said, use, board] {
        try {
            const FlippedBoard b = board();
            auto mm = [this](double v) { return QString::fromStdString(formatLength(v, doc_.style())); };
            said->setText(tr("a board %1 × %2, %3 thick: %4 strips, %5 rows").arg(mm(b.width()), mm(b.length()), mm(b.thickness)).arg(b.strips).arg(b.rows));
            use->setEnabled(true);
        } catch (const InputError& e) {
            said->setText(QString::fromStdString(e.what()));
            use->setEnabled(false);
        }
    };
    connect(strips, &QSpinBox::valueChanged, this, [this, read](int n) {
        offcutStrips_ = n;
        read();
    });
    for (size_t k = 0; k < 3; ++k)
        connect(fields[k], &LengthField::edited, this, [this, read, k](double mm) {
            offcut_[k] = mm;
            read();
        });
    connect(use, &QPushButton::clicked, this, [this, board] {
        const FlippedBoard b = board();
        change_(tr("of these offcuts"), [&](Layer& l) {
            l.slab.strip = b.strip;
            l.thickness = std::clamp(b.thickness, limits::thickness.low, limits::thickness.high);
            l.stockOuter = std::min(b.width(), l.slab.kind == SlabForm::Checkered ? b.length() : b.width());
        });
    });
    readers_.push_back([read](const Layer&) { read(); });
}

void LayerForm::rebuild(const Layer& layer)
{
    shape_ = shape(layer);
    readers_.clear();
    if (inner_) inner_->deleteLater();
    inner_ = new QWidget;
    auto* inside = new QVBoxLayout(inner_);
    inside->setContentsMargins(0, 0, 0, 0);
    inside->setSpacing(4);
    column_->insertWidget(0, inner_);
    auto slab = [this, &layer] {
        choice(tr("Board"), {tr("one wood"), tr("strips"), tr("strips, re-cut and turned")}, [](const Layer& l) { return static_cast<int>(l.slab.kind); }, [](Layer& l, int k) { l.slab.kind = static_cast<SlabForm::Kind>(k); });
        if (layer.slab.kind != SlabForm::Plain) length(tr("Strip, finished"), limits::strip, [](Layer& l) -> double& { return l.slab.strip; });
        if (layer.slab.kind == SlabForm::Checkered) length(tr("Row, finished"), limits::strip, [](Layer& l) -> double& { return l.slab.row; });
        if (layer.slab.kind != SlabForm::Plain) {
            length(tr("Jointing, each edge"), limits::jointing, [](Layer& l) -> double& { return l.slab.jointing; });
            length(tr("Flattening, each face"), limits::jointing, [](Layer& l) -> double& { return l.slab.flattening; });
        }
    };
    if (layer.kind == LayerKind::Slab) offcuts();
    switch (layer.kind) {
    case LayerKind::LetIn:
        length(tr("Disc Ø"), limits::inset, [](Layer& l) -> double& { return l.letIn.diameter; });
        length(tr("Clearance all round"), limits::clearance, [](Layer& l) -> double& { return l.letIn.clearance; });
        wood(tr("Disc's wood"), [](Layer& l) -> std::string& { return l.letIn.discWood; });
        break;
    case LayerKind::Ring:
        choice(tr("Between segments"), {tr("glued"), tr("a gap, by width"), tr("a gap, by angle"), tr("a spacer")}, [](const Layer& l) { return static_cast<int>(l.joint.kind); },
               [](Layer& l, int k) { l.joint.kind = static_cast<SegmentJoint::Kind>(k); });
        if (layer.joint.kind == SegmentJoint::GapByWidth || layer.joint.kind == SegmentJoint::Spacer) length(tr("Its width"), limits::jointWidth, [](Layer& l) -> double& { return l.joint.width; });
        if (layer.joint.kind == SegmentJoint::GapByAngle) number(tr("Its angle"), limits::jointAngle, 2, QStringLiteral("°"), [](Layer& l) -> double& { return l.joint.angle; });
        if (layer.joint.kind == SegmentJoint::Spacer) wood(tr("Spacer's wood"), [](Layer& l) -> std::string& { return l.joint.wood; });
        choice(tr("Segments are"), {tr("one wood"), tr("made up: a band"), tr("made up: a zigzag"), tr("made up: diamonds")}, [](const Layer& l) { return static_cast<int>(l.madeUp.kind); },
               [](Layer& l, int k) { l.madeUp.kind = static_cast<MadeUp::Kind>(k); });
        if (layer.madeUp.kind != MadeUp::Plain) {
            wood(tr("Band's wood"), [](Layer& l) -> std::string& { return l.madeUp.wood; });
            length(tr("Band's height"), limits::band, [](Layer& l) -> double& { return l.madeUp.band; });
        }
        if (layer.madeUp.kind == MadeUp::Zigzag || layer.madeUp.kind == MadeUp::Diamond) length(tr("Rise, joint to joint"), limits::rise, [](Layer& l) -> double& { return l.madeUp.rise; });
        optionalLength(tr("Glue on thicker and part down from"), limits::thickness, [](Layer& l) -> std::optional<double>& { return l.partedFrom; }, [](const Layer& l) { return l.thickness + 12; });
        break;
    case LayerKind::Sheet:
    case LayerKind::Disc:
        optionalLength(tr("Glue on thicker and part down from"), limits::thickness, [](Layer& l) -> std::optional<double>& { return l.partedFrom; }, [](const Layer& l) { return l.thickness + 12; });
        break;
    case LayerKind::Slab:
        slab();
        break;
    case LayerKind::Billet:
        check(tr("Corners knocked off at the saw"), [](Layer& l) -> bool& { return l.cornersOff; });
        break;
    case LayerKind::PostWrap:
        length(tr("Post's side"), limits::post, [](Layer& l) -> double& { return l.wrapped.post; });
        length(tr("Wrap's thickness"), limits::wrap, [](Layer& l) -> double& { return l.wrapped.wrap; });
        check(tr("45° wedges on the corners"), [](Layer& l) -> bool& { return l.wrapped.wedges; });
        if (layer.wrapped.wedges) wood(tr("Wedges' wood"), [](Layer& l) -> std::string& { return l.wrapped.wedgeWood; });
        break;
    case LayerKind::BoardRings:
        choice(tr("Cut"), {tr("on the bandsaw, in halves"), tr("with a parting tool")}, [](const Layer& l) { return static_cast<int>(l.boardRings.tool); }, [](Layer& l, int k) { l.boardRings.tool = static_cast<BoardRingForm::Tool>(k); });
        whole(tr("Rings, with the bottom"), limits::rings, [](Layer& l) -> int& { return l.boardRings.rings; });
        number(tr("Cut's angle to the face"), limits::boardAngle, 2, QStringLiteral("°"), [](Layer& l) -> double& { return l.boardRings.angle; });
        {
            auto* wall = new LengthField(doc_, tr("Wall, square to the cut"), limits::wall);
            row(tr("Wall, square to the cut"), wall);
            connect(wall, &LengthField::edited, this, [this, wall](double mm) {
                const Layer& now = doc_.piece().layers[static_cast<size_t>(doc_.selection().layer)];
                try {
                    const double angle = boardRingAngleDeg(now.thickness / now.boardRings.rings, mm, now.boardRings.kerf);
                    change_(tr("wall of the rings"), [angle](Layer& l) { l.boardRings.angle = std::clamp(angle, limits::boardAngle.low, limits::boardAngle.high); });
                } catch (const InputError& e) {
                    emit doc_.refused(QString::fromStdString(e.what()));
                }
                refresh();
            });
            readers_.push_back([wall](const Layer& l) { wall->setValue(BoardRings{l.thickness / l.boardRings.rings, l.boardRings.angle, l.boardRings.kerf}.wall()); });
        }
        length(tr("Kerf"), limits::kerf, [](Layer& l) -> double& { return l.boardRings.kerf; });
        number(tr("Each ring turned on"), limits::rotate, 2, QStringLiteral("°"), [](Layer& l) -> double& { return l.boardRings.rotate; });
        slab();
        break;
    case LayerKind::Staves:
        break;
    }
}

}  // namespace vl::app
