#pragma once

#include "app/solid/solid_view.h"

#include <QOpenGLBuffer>
#include <QOpenGLExtraFunctions>
#include <QOpenGLShaderProgram>
#include <QOpenGLVertexArrayObject>
#include <QOpenGLWidget>

namespace vl::app {

/// Whether an OpenGL 3.3 core context can be had here, and a graphics card works it out. VIVID_LATHE_NO_OPENGL says no,
/// VIVID_LATHE_OPENGL does without the card.
bool openGlWorks();

/// The solid drawn by OpenGL. The wood's figure is worked out at every pixel by the same text as everywhere else.
class SolidGl : public QOpenGLWidget, protected QOpenGLExtraFunctions {
    Q_OBJECT
public:
    explicit SolidGl(QWidget* parent);
    ~SolidGl() override;
    void setScene(SolidScene* scene) { scene_ = scene; }

signals:
    void failed();

protected:
    void initializeGL() override;
    void paintGL() override;

private:
    void upload();

    SolidScene* scene_ = nullptr;
    QOpenGLShaderProgram program_;
    QOpenGLBuffer vertices_{QOpenGLBuffer::VertexBuffer}, shades_{QOpenGLBuffer::VertexBuffer},
        indices_{QOpenGLBuffer::IndexBuffer};
    QOpenGLVertexArrayObject layout_;
    unsigned uploaded_ = ~0u;
    int count_ = 0;
    bool ready_ = false;
};

}  // namespace vl::app
