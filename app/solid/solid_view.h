#pragma once

#include "app/document/document.h"
#include "core/picture/render.h"
#include "core/picture/rolling.h"
#include "core/picture/work_state.h"
#include "core/plan/maps.h"

#include <QFutureWatcher>
#include <QTimer>
#include <QWidget>

class QLabel;

namespace vl::app {

/// What the OpenGL and the painted picture of the solid share: the mesh, how it is seen, and its handling. Drag turns
/// it, the wheel zooms, a click chooses the segment under it; U stands it up or lays it down, C cuts the near half
/// away.
class SolidScene : public QObject {
    Q_OBJECT
public:
    explicit SolidScene(Document& document, QObject* parent);
    ~SolidScene() override;
    /// Where it is drawn and handled from now on.
    void setCanvas(QWidget& canvas);

    const Mesh& mesh();
    /// The shade that the piece throws on the ground, or the slope that it rolls down, under a picture of this size.
    void drawGround(QPainter& painter, const QSize& size) const;
    Camera camera;
    bool cutAway = false, blank = false;
    bool slow = false;  ///< drawn by the processor: while a drag goes on it follows a few times a second
    Document& document() { return doc_; }
    /// Counts up whenever the mesh is another.
    unsigned meshVersion() const { return meshVersion_; }

    bool eventFilter(QObject* watched, QEvent* event) override;
    void setCutAway(bool on);
    void setUpright(bool on);
    void setBlank(bool on);
    /// How the piece lies after so many steps of its recipe; −1: finished, as ever.
    void setWorkState(int steps);
    int workState() const { return workState_; }
    /// A measure on the finished piece in place of its wood; none: the wood.
    void setMap(std::optional<MapKind> kind);
    /// The measure that is shown, with its worst place; null while the wood is.
    const SurfaceMap* map() const { return made_.map ? &*made_.map : nullptr; }
    /// A split piece, finished, rolls down a slope, over and over, until it is called off or the piece changes.
    void setRolling(bool on);
    bool rolling() const { return rolls_; }
    /// Whether what is shown is still being made, beside everything else. What is made and not yet taken counts too.
    bool busy() const { return making_; }
    /// Where a place of the piece lies in a picture of this size.
    QPointF seenAt(const Eigen::Vector3d& place, const QSize& size) const;
    /// How far what is shown reaches.
    const Reach& reach() const { return made_.reach; }
    /// The legend of a measure, and its worst place, over a picture of this size.
    void drawMarks(QPainter& painter, const QSize& size) const;

signals:
    void optionsChanged();

private:
    /// What is asked for, and what it comes to.
    struct RenderRequest {
        MeshDetail detail;
        int workState = -1;
        bool blank = false;
        std::optional<MapKind> map;
    };
    struct Made {
        Mesh mesh;
        Reach reach;
        std::optional<SurfaceMap> map;
    };
    static Made make(const Piece& piece, const Shop& shop, const Plan& plan, const RenderRequest& request);
    RenderRequest request() const;
    /// Whether it takes longer than a hand may be held up.
    bool isLong(const RenderRequest& request) const;
    void take(Made made);
    void stale();
    void roll();
    void drawSlope(QPainter& painter, const QSize& size) const;

    /// A piece on its way down, and how far it is.
    struct Roll {
        Mesh still;
        Slope slope;
        size_t at = 0;
    };
    QTimer later_, beat_;
    Document& doc_;
    QWidget* canvas_ = nullptr;
    Made made_;
    bool stale_ = true, making_ = false, turned_ = false;
    unsigned meshVersion_ = 0;
    int workState_ = -1;
    bool rolls_ = false;
    std::optional<Roll> roll_;
    std::optional<MapKind> mapKind_;
    QFutureWatcher<std::shared_ptr<Made>> watcher_;
    QPointF from_;
};

/// The solid: drawn by OpenGL 3.3 where there is one, else painted. Which of the two is asked when it is first seen: a
/// driver takes longer to load than the first page to paint.
class SolidView : public QWidget {
    Q_OBJECT
public:
    explicit SolidView(Document& document, QWidget* parent = nullptr);
    SolidScene& scene() { return *scene_; }
    QWidget& canvas() { return *canvas_; }
    /// Whether it is drawn without OpenGL.
    bool materialMesh() const { return painted_; }
    QSize minimumSizeHint() const override { return {240, 200}; }

protected:
    void showEvent(QShowEvent* event) override;

private:
    void take(QWidget* canvas, bool painted);
    void usePainted();
    void useOpenGl();

    QWidget* canvas_ = nullptr;
    SolidScene* scene_ = nullptr;
    bool painted_ = true, asked_ = false;
};

}  // namespace vl::app
