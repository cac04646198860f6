#include "app/solid/solid_view.h"

#include "app/document/beside.h"
#include "app/solid/solid_gl.h"
#include "app/theme/theme.h"
#include "core/measure/format.h"
#include "core/picture/finished.h"
#include "core/picture/parted.h"
#include "core/picture/rejoined.h"
#include "core/plan/film.h"
#include "core/wood/figure.h"
#include "report/drawing.h"
#include "report/type.h"

#include <QMouseEvent>
#include <QPainter>
#include <QVBoxLayout>

#include <cmath>

namespace vl::app {
namespace {

/// The solid painted without OpenGL.
class SolidPainted : public QWidget {
public:
    using QWidget::QWidget;
    SolidScene* scene = nullptr;

protected:
    void paintEvent(QPaintEvent*) override
    {
        QPainter painter(this);
        const Document& document = scene->document();
        const Mesh& mesh = scene->mesh();
        const Reach reach = scene->reach();
        // Coarser while a drag goes on, so that the drag stays smooth.
        const double ratio = document.live() ? 0.5 : (scene->rolling() ? 1 : 2) * devicePixelRatioF();
        const Raster raster = renderMesh(
            mesh, scene->camera, reach.height, reach.diameter, std::max(1, static_cast<int>(width() * ratio)),
            std::max(1, static_cast<int>(height() * ratio)), theme().panel.rgb() & 0x00ffffffu, document.lit());
        painter.fillRect(rect(), theme().panel);
        scene->drawGround(painter, size());
        painter.setRenderHint(QPainter::SmoothPixmapTransform);
        painter.drawImage(rect(),
                          document.live() || scene->rolling() ? report::imageOf(raster) : report::smoothed(raster));
        scene->drawMarks(painter, size());
    }
};

}  // namespace

SolidScene::SolidScene(Document& document, QObject* parent) : QObject(parent), doc_(document)
{
    later_.setSingleShot(true);
    later_.setInterval(150);
    const auto redraw = [this] { canvas_->update(); };
    connect(&later_, &QTimer::timeout, this, redraw);
    constexpr int beat = 33;  // ms
    beat_.setInterval(beat);
    connect(&beat_, &QTimer::timeout, this, &SolidScene::roll);
    connect(&doc_, &Document::changed, this, &SolidScene::stale);
    connect(&watcher_, &QFutureWatcher<std::shared_ptr<Made>>::finished, this, [this] {
        making_ = false;
        take(std::move(*watcher_.result()));
        canvas_->update();
        emit optionsChanged();
    });
    for (const auto signal : {&Document::selectionChanged, &Document::pointedChanged})
        connect(&doc_, signal, this, redraw);
}

void SolidScene::setCanvas(QWidget& canvas)
{
    if (canvas_) canvas_->removeEventFilter(this);
    canvas_ = &canvas;
    canvas.installEventFilter(this);
    canvas.setFocusPolicy(Qt::StrongFocus);
    canvas.setAccessibleName(tr("The solid piece"));
}

void SolidScene::stale()
{
    stale_ = true;
    if (std::exchange(rolls_, false)) {
        beat_.stop();
        roll_.reset();
        emit optionsChanged();
    }
    if (!(slow && doc_.live()))
        canvas_->update();
    else if (!later_.isActive())
        later_.start();
}

SolidScene::~SolidScene() { watcher_.waitForFinished(); }

SolidScene::Made SolidScene::make(const Piece& piece, const Shop& shop, const Plan& plan, const RenderRequest& request)
{
    Made made;
    std::vector<Body> bodies;
    if (request.workState >= 0)
        bodies = bodiesAfter(plan.assembly, plan.schedule.order, static_cast<size_t>(request.workState));
    made.reach = bodies.empty() ? Reach{plan.shape.height, plan.shape.greatestDiameter}
                                : reachOf(plan.assembly, plan.surfaces, bodies);
    made.mesh = request.workState >= 0 ? bodiesMesh(piece, plan.assembly, plan.surfaces, bodies, request.detail)
                : request.blank        ? blankMesh(plan.assembly)
                : piece.nest.on        ? partedMesh(plan.assembly, piece.nest, outlineHeight(piece), request.detail)
                : request.map          ? turnedMesh(plan.assembly, plan.surfaces, request.detail)
                                       : finishedMesh(piece, plan.assembly, plan.surfaces, request.detail);
    if (!bodies.empty()) showHolding(piece, shop, plan, static_cast<size_t>(request.workState), made.mesh);
    // A blank too small for one ring is seen as it is.
    if (made.mesh.indices.empty() && request.workState < 0)
        made.mesh = turnedMesh(plan.assembly, plan.surfaces, request.detail);
    if (request.map) {
        made.map = surfaceMap(*request.map, made.mesh, shop, plan);
        made.mesh.shades = made.map->shades();
    }
    return made;
}

SolidScene::RenderRequest SolidScene::request() const
{
    const bool finished = workState_ < 0 && !blank;
    // Measures are asked at corners: on a coarse skin as good as on a fine one, and sooner there.
    const double tolerance = doc_.live() ? 0.25 : mapKind_ && finished ? 0.1 : 0.05;
    return {{tolerance, cutAway}, workState_, blank, finished ? mapKind_ : std::nullopt};
}

bool SolidScene::isLong(const RenderRequest& request) const
{
    return request.map || !doc_.plan().surfaces.cuts.empty();
}

void SolidScene::take(Made made)
{
    made_ = std::move(made);
    ++meshVersion_;
}

const Mesh& SolidScene::mesh()
{
    if (!stale_) return made_.mesh;
    RenderRequest wanted = request();
    if (!isLong(wanted)) {
        stale_ = false;
        take(make(doc_.piece(), doc_.shop(), doc_.plan(), wanted));
        return made_.mesh;
    }
    // The latest request wins: what is being made is shown, and then what is wanted by then is made.
    if (making_) return made_.mesh;
    stale_ = false;
    if (made_.mesh.indices.empty()) {
        RenderRequest first = wanted;
        first.detail.tolerance = 0.5;
        first.map.reset();
        take(make(doc_.piece(), doc_.shop(), doc_.plan(), first));
    }
    making_ = true;
    watcher_.setFuture(beside([piece = doc_.piece(), shop = doc_.shop(), plan = doc_.plan(), wanted] {
        return std::make_shared<Made>(make(piece, shop, plan, wanted));
    }));
    return made_.mesh;
}

void SolidScene::setRolling(bool on)
{
    if (on == rolls_) return;
    stale();
    if (!on || !doc_.piece().split.on) return;
    rolls_ = true;
    workState_ = -1;
    blank = cutAway = false;
    mapKind_.reset();
    mesh();
    beat_.start();
    emit optionsChanged();
}

void SolidScene::roll()
{
    if (busy()) return;  // the finished piece is still being made
    if (!roll_) roll_ = Roll{made_.mesh, slopeUnder(doc_.piece())};
    Roll& r = *roll_;
    if (r.slope.way.places.empty()) return stale();
    r.at = (r.at + 1) % r.slope.way.places.size();
    take({moved(r.still, r.slope.way.places[r.at]), {r.slope.height, r.slope.width}, std::nullopt});
    canvas_->update();
}

void SolidScene::drawSlope(QPainter& painter, const QSize& size) const
{
    const auto fill = [&](const std::vector<Eigen::Vector3d>& corners, const QColor& color) {
        QPolygonF edge;
        for (const Eigen::Vector3d& c : corners) edge << seenAt(c, size);
        painter.setBrush(color);
        painter.drawPolygon(edge);
    };
    painter.setPen(theme().edge);
    fill(roll_->slope.ground, theme().ground);
    painter.setPen(Qt::NoPen);
    QColor print = theme().accent;
    print.setAlphaF(0.3f);
    for (const Rolling::Print& p : roll_->slope.way.prints)
        if (p.place <= roll_->at) fill(p.corners, print);
}

void SolidScene::drawGround(QPainter& painter, const QSize& size) const
{
    if (roll_) return drawSlope(painter, size);
    const Reach reach = this->reach();
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(Qt::NoPen);
    // Rings of shade, each a little wider, soften its edge.
    QColor shade = theme().dark ? QColor(0, 0, 0) : theme().text;
    shade.setAlphaF(theme().dark ? 0.06f : 0.022f);
    painter.setBrush(shade);
    for (int k = 0; k < 9; ++k) {
        QPolygonF edge;
        for (const Eigen::Vector2d& p : shadowUnder(camera, reach.height, reach.diameter,
                                                    std::max(doc_.plan().shape.footRadius, reach.diameter / 5),
                                                    size.width(), size.height(), 1.02 + 0.045 * k))
            edge << QPointF(p.x(), p.y());
        painter.drawPolygon(edge);
    }
    painter.restore();
}

void SolidScene::drawMarks(QPainter& painter, const QSize& size) const
{
    const SurfaceMap* map = this->map();
    if (!map) return;
    painter.setRenderHint(QPainter::Antialiasing);
    const auto said = [&](double v) {
        if (std::string_view(map->unit) == "mm") return QString::fromStdString(formatLengthUnit(v, doc_.style()));
        return QStringLiteral("%1 %2").arg(v, 0, 'f', v < 10 ? 1 : 0).arg(QString::fromUtf8(map->unit));
    };
    const QString name = localized(choicesOf<MapKind>()[static_cast<size_t>(map->kind)].words);
    painter.setFont(textFont(9));
    painter.setPen(theme().text);
    constexpr int left = 12, barWide = 120, barHigh = 8;
    const QFontMetrics type = painter.fontMetrics();
    const int line = type.height();
    const int top = size.height() - line * 2 - barHigh - 8;
    if (std::isnan(map->worst)) {
        painter.drawText(left, top + line, tr("%1: this piece has none").arg(name));
        return;
    }
    const bool level = map->range.high - map->range.low < 1e-9;
    painter.drawText(left, top + type.ascent(), level ? tr("%1: the same everywhere").arg(name) : name);
    QLinearGradient ramp(left, 0, left + barWide, 0);
    for (int k = 0; k <= 12; ++k) {
        const auto c = measureColor(static_cast<float>(k) / 12);
        ramp.setColorAt(k / 12.0, QColor::fromRgbF(c[0], c[1], c[2]));
    }
    painter.fillRect(QRect(left, top + line, barWide, barHigh), ramp);
    const double good = map->lowIsWorst ? map->range.high : map->range.low, bad = map->worst;
    const QRect words(left, top + line + barHigh + 2, std::max(barWide, size.width() - 2 * left), line);
    painter.drawText(words, Qt::AlignLeft,
                     level ? said(bad) : tr("%1 to %2, which is ringed").arg(said(good), said(bad)));
    if (level) return;
    const QPointF at = seenAt(map->worstAt, size);
    painter.setBrush(Qt::NoBrush);
    for (const auto& [color, wide] : {std::pair(theme().panel, 4.0), std::pair(theme().warn, 2.0)}) {
        painter.setPen(QPen(color, wide));
        painter.drawEllipse(at, 9, 9);
    }
}

void SolidScene::setWorkState(int steps)
{
    if (steps == workState_) return;
    workState_ = steps;
    stale();
    // Where it reaches is asked before it is drawn.
    mesh();
    emit optionsChanged();
}

void SolidScene::setMap(std::optional<MapKind> kind)
{
    mapKind_ = kind;
    stale();
    mesh();
    emit optionsChanged();
}

QPointF SolidScene::seenAt(const Eigen::Vector3d& place, const QSize& size) const
{
    const Reach reach = this->reach();
    const Eigen::Vector3d at = camera.view(reach.height) * place;
    const double scale = std::min(size.width(), size.height()) / 2.0 / camera.halfExtent(reach.height, reach.diameter);
    return {size.width() / 2.0 + at.x() * scale, size.height() / 2.0 - at.y() * scale};
}

void SolidScene::setCutAway(bool on)
{
    cutAway = on;
    stale();
    emit optionsChanged();
}

void SolidScene::setUpright(bool on)
{
    camera.upright = on;
    canvas_->update();
    emit optionsChanged();
}

void SolidScene::setBlank(bool on)
{
    blank = on;
    stale();
    emit optionsChanged();
}

bool SolidScene::eventFilter(QObject*, QEvent* event)
{
    switch (event->type()) {
    case QEvent::MouseButtonPress:
        from_ = static_cast<QMouseEvent*>(event)->position();
        turned_ = false;
        return true;
    case QEvent::MouseMove: {
        auto* mouse = static_cast<QMouseEvent*>(event);
        if (!(mouse->buttons() & Qt::LeftButton)) return false;
        const QPointF by = mouse->position() - from_;
        if (!turned_ && std::hypot(by.x(), by.y()) < 4) return true;
        turned_ = true;
        from_ = mouse->position();
        camera.yaw = std::fmod(camera.yaw + by.x() * 0.5, 360.0);
        camera.pitch = std::clamp(camera.pitch + by.y() * 0.5, -90.0, 90.0);
        canvas_->update();
        return true;
    }
    case QEvent::MouseButtonRelease: {
        if (turned_) return true;
        const Mesh& shown = mesh();
        const int part = pickMesh(shown, camera, made_.reach.height, made_.reach.diameter, canvas_->width(),
                                  canvas_->height(), from_.x(), from_.y());
        const auto layers = static_cast<int>(doc_.plan().assembly.layers.size());
        if (part >= 0 && part / 1000 < layers)
            doc_.selectLayer(part / 1000, static_cast<QMouseEvent*>(event)->modifiers(), part % 1000);
        return true;
    }
    case QEvent::Wheel:
        camera.zoom =
            std::clamp(camera.zoom * std::pow(1.0015, static_cast<QWheelEvent*>(event)->angleDelta().y()), 0.5, 30.0);
        canvas_->update();
        return true;
    case QEvent::KeyPress: {
        const int key = static_cast<QKeyEvent*>(event)->key();
        if (key == Qt::Key_U)
            setUpright(!camera.upright);
        else if (key == Qt::Key_C)
            setCutAway(!cutAway);
        else if (key == Qt::Key_Left || key == Qt::Key_Right)
            camera.yaw += key == Qt::Key_Left ? -10 : 10;
        else if (key == Qt::Key_Up || key == Qt::Key_Down)
            camera.pitch = std::clamp(camera.pitch + (key == Qt::Key_Up ? -10 : 10), -90.0, 90.0);
        else
            return false;
        canvas_->update();
        return true;
    }
    default:
        return false;
    }
}

SolidView::SolidView(Document& document, QWidget* parent) : QWidget(parent), scene_(new SolidScene(document, this))
{
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    usePainted();
}

void SolidView::take(QWidget* canvas, bool painted)
{
    scene_->slow = painted;
    scene_->setCanvas(*canvas);
    delete canvas_;
    canvas_ = canvas;
    painted_ = painted;
    layout()->addWidget(canvas);
}

void SolidView::usePainted()
{
    auto* painted = new SolidPainted(this);
    painted->scene = scene_;
    take(painted, true);
}

void SolidView::useOpenGl()
{
    auto* gl = new SolidGl(this);
    gl->setScene(scene_);
    take(gl, false);
    // A driver that promised 3.3 and cannot compile: paint instead, once this paint is over.
    connect(gl, &SolidGl::failed, this, &SolidView::usePainted, Qt::QueuedConnection);
}

void SolidView::showEvent(QShowEvent* event)
{
    QWidget::showEvent(event);
    if (!asked_ && openGlWorks()) useOpenGl();
    asked_ = true;
}

}  // namespace vl::app
