#include "app/solid/solid_view.h"

#include "app/solid/solid_gl.h"
#include "app/theme/theme.h"
#include "core/turning/parted.h"
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
        const Reach reach = scene->reach();
        // Coarser while a drag goes on, so that the drag stays smooth.
        const double ratio = document.live() ? 0.5 : 2 * devicePixelRatioF();
        const Raster raster = renderMesh(
            scene->mesh(), scene->camera, reach.height, reach.diameter, std::max(1, static_cast<int>(width() * ratio)),
            std::max(1, static_cast<int>(height() * ratio)), theme().panel.rgb() & 0x00ffffffu, document.lit());
        painter.fillRect(rect(), theme().panel);
        scene->drawShadow(painter, size());
        painter.setRenderHint(QPainter::SmoothPixmapTransform);
        painter.drawImage(rect(), document.live() ? report::imageOf(raster) : report::smoothed(raster));
    }
};

}  // namespace

SolidScene::SolidScene(Document& document, QObject* parent) : QObject(parent), doc_(document)
{
    later_.setSingleShot(true);
    later_.setInterval(150);
    const auto redraw = [this] { canvas_->update(); };
    connect(&later_, &QTimer::timeout, this, redraw);
    connect(&doc_, &Document::changed, this, &SolidScene::stale);
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
    if (!(slow && doc_.live()))
        canvas_->update();
    else if (!later_.isActive())
        later_.start();
}

const Mesh& SolidScene::mesh()
{
    if (stale_) {
        const Plan& plan = doc_.plan();
        const MeshDetail detail{doc_.live() ? 0.25 : 0.05, cutAway};
        const Nest& nest = doc_.piece().nest;
        if (moment_ >= 0)
            bodies_ = bodiesAfter(doc_.piece(), plan.assembly, plan.schedule.order, static_cast<size_t>(moment_));
        mesh_ = moment_ >= 0 ? bodiesMesh(doc_.piece(), plan.assembly, plan.sides, bodies_, detail)
                : blank      ? blankMesh(plan.assembly)
                : nest.on    ? partedMesh(plan.assembly, nest, outlineHeight(doc_.piece()), detail)
                             : turnedMesh(plan.assembly, plan.sides, detail);
        // A blank too small for one ring is seen as it is.
        if (mesh_.indices.empty() && moment_ < 0) mesh_ = turnedMesh(plan.assembly, plan.sides, detail);
        stale_ = false;
        ++meshVersion_;
    }
    return mesh_;
}

void SolidScene::drawShadow(QPainter& painter, const QSize& size) const
{
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

Reach SolidScene::reach() const
{
    const Plan& plan = doc_.plan();
    if (moment_ >= 0 && !bodies_.empty()) return reachOf(plan.assembly, plan.sides, bodies_);
    return {plan.shape.height, plan.shape.greatestDiameter};
}

void SolidScene::setMoment(int steps)
{
    if (steps == moment_) return;
    moment_ = steps;
    stale();
    // Where it reaches is asked before it is drawn.
    mesh();
    emit optionsChanged();
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
        const Shape& s = doc_.plan().shape;
        const int part = pickMesh(mesh(), camera, s.height, s.greatestDiameter, canvas_->width(), canvas_->height(),
                                  from_.x(), from_.y());
        if (part >= 0) doc_.selectLayer(part / 1000, static_cast<QMouseEvent*>(event)->modifiers(), part % 1000);
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
