#include "app/solid/solid_gl.h"

#include "app/theme/theme.h"

#include <QFile>
#include <QGuiApplication>
#include <QOffscreenSurface>
#include <QOpenGLContext>
#include <QOpenGLFunctions>

#include <cstddef>

namespace vl::app {
namespace {

constexpr int mostWoods = 32;

QSurfaceFormat wantedFormat()
{
    QSurfaceFormat format;
    format.setVersion(3, 3);
    format.setProfile(QSurfaceFormat::CoreProfile);
    format.setDepthBufferSize(24);
    format.setSamples(4);
    return format;
}

constexpr const char* vertexShader = R"(#version 330 core
layout(location = 0) in vec3 position;
layout(location = 1) in vec3 normal;
layout(location = 2) in vec3 board;
layout(location = 3) in float species;
layout(location = 4) in float seed;
layout(location = 5) in float part;
layout(location = 6) in float shade;
uniform mat4 view;
uniform mat4 projection;
out vec3 vNormal;
out vec3 vBoard;
flat out float vSpecies;
flat out float vSeed;
flat out float vPart;
out float vShade;
void main()
{
    vNormal = mat3(view) * normal;
    vBoard = board;
    vSpecies = species;
    vSeed = seed;
    vPart = part;
    vShade = shade;
    gl_Position = projection * view * vec4(position, 1.0);
}
)";

constexpr const char* fragmentHead = R"(#version 330 core
in vec3 vNormal;
in vec3 vBoard;
flat in float vSpecies;
flat in float vSeed;
flat in float vPart;
in float vShade;
uniform float mapped;
uniform vec3 early[32];
uniform vec3 late[32];
uniform vec3 grain[32];
uniform float selected;
out vec4 color;
)";

constexpr const char* fragmentBody = R"(
void main()
{
    int wood = int(vSpecies + 0.5);
    float across = length(vBoard.xy);
    float endGrain = across > 0.0 ? abs(vBoard.x) / across : 0.0;
    vec3 c = woodColor(vBoard, early[wood], late[wood], grain[wood].x, grain[wood].y, grain[wood].z, vSeed, endGrain);
    vec3 n = normalize(vNormal);
    vec3 lit = mapped > 0.5 ? mapLit(mapColor(vShade), n)
                            : woodLit(c, n, floor(vPart / 1000.0) == selected ? 1.15 : 1.0);
    color = vec4(lit, 1.0);
}
)";

}  // namespace

bool openGlWorks()
{
    if (qEnvironmentVariableIsSet("VIVID_LATHE_NO_OPENGL")) return false;
    // These platforms may hand out a context and then have no window to show it in.
    const QString platform = QGuiApplication::platformName();
    if (platform == "offscreen" || platform.startsWith("minimal") || platform == "vnc" || platform == "linuxfb")
        return false;
    QOpenGLContext context;
    context.setFormat(wantedFormat());
    if (!context.create()) return false;
    QOffscreenSurface surface;
    surface.setFormat(context.format());
    surface.create();
    if (!surface.isValid() || !context.makeCurrent(&surface)) return false;
    // OpenGL worked out by the processor is slower than painting.
    const QByteArray renderer(reinterpret_cast<const char*>(context.functions()->glGetString(GL_RENDERER)));
    const bool card = !(renderer.contains("llvmpipe") || renderer.contains("softpipe")) ||
                      qEnvironmentVariableIsSet("VIVID_LATHE_OPENGL");
    const bool enough = card && context.format().version() >= qMakePair(3, 3);
    context.doneCurrent();
    return enough;
}

SolidGl::SolidGl(QWidget* parent) : QOpenGLWidget(parent) { setFormat(wantedFormat()); }

SolidGl::~SolidGl()
{
    if (!context()) return;
    makeCurrent();
    layout_.destroy();
    vertices_.destroy();
    indices_.destroy();
    shades_.destroy();
    doneCurrent();
}

void SolidGl::initializeGL()
{
    initializeOpenGLFunctions();
    QFile figure(QStringLiteral(":/shaders/figure.inl"));
    ready_ = figure.open(QIODevice::ReadOnly) &&
             program_.addShaderFromSourceCode(QOpenGLShader::Vertex, vertexShader) &&
             program_.addShaderFromSourceCode(QOpenGLShader::Fragment,
                                              QByteArray(fragmentHead) + figure.readAll() + fragmentBody) &&
             program_.link() && vertices_.create() && indices_.create() && shades_.create() && layout_.create();
    if (!ready_) emit failed();
}

void SolidGl::upload()
{
    const Mesh& mesh = scene_->mesh();
    layout_.bind();
    vertices_.bind();
    vertices_.allocate(mesh.vertices.data(), static_cast<int>(mesh.vertices.size() * sizeof(Vertex)));
    indices_.bind();
    indices_.allocate(mesh.indices.data(), static_cast<int>(mesh.indices.size() * sizeof(std::uint32_t)));
    const std::pair<size_t, int> attributes[] = {{offsetof(Vertex, position), 3}, {offsetof(Vertex, normal), 3},
                                                 {offsetof(Vertex, board), 3},    {offsetof(Vertex, species), 1},
                                                 {offsetof(Vertex, seed), 1},     {offsetof(Vertex, part), 1}};
    for (int i = 0; i < 6; ++i) {
        program_.enableAttributeArray(i);
        program_.setAttributeBuffer(i, GL_FLOAT, static_cast<int>(attributes[i].first), attributes[i].second,
                                    sizeof(Vertex));
    }
    // A measure has a buffer of its own; where there is none, one number stands for all.
    if (mesh.shades.empty())
        program_.disableAttributeArray(6);
    else {
        shades_.bind();
        shades_.allocate(mesh.shades.data(), static_cast<int>(mesh.shades.size() * sizeof(float)));
        program_.enableAttributeArray(6);
        program_.setAttributeBuffer(6, GL_FLOAT, 0, 1, sizeof(float));
    }
    layout_.release();
    count_ = static_cast<int>(mesh.indices.size());
    uploaded_ = scene_->meshVersion();
}

void SolidGl::paintGL()
{
    const QColor ground = theme().panel;
    glClearColor(ground.redF(), ground.greenF(), ground.blueF(), 1);
    glClear(GL_COLOR_BUFFER_BIT | GL_DEPTH_BUFFER_BIT);
    if (!ready_ || !scene_) return;
    scene_->mesh();  // brings the version, and how far it reaches, up to date
    {
        QPainter painter(this);
        scene_->drawGround(painter, size());
    }
    program_.bind();
    if (uploaded_ != scene_->meshVersion()) upload();
    const Document& document = scene_->document();
    const Reach reach = scene_->reach();
    const Eigen::Matrix4f view = scene_->camera.view(reach.height).matrix().cast<float>();
    QMatrix4x4 viewMatrix, projection;
    for (int row = 0; row < 4; ++row)
        for (int column = 0; column < 4; ++column) viewMatrix(row, column) = view(row, column);
    const auto half = static_cast<float>(scene_->camera.halfExtent(reach.height, reach.diameter));
    const float aspect = static_cast<float>(width()) / static_cast<float>(std::max(1, height()));
    const float w = aspect > 1 ? half * aspect : half, h = aspect > 1 ? half : half / aspect;
    projection.ortho(-w, w, -h, h, -4000, 4000);
    program_.setUniformValue("view", viewMatrix);
    program_.setUniformValue("projection", projection);
    program_.setUniformValue("selected", static_cast<float>(document.lit()));
    program_.setUniformValue("mapped", scene_->mesh().shades.empty() ? 0.0f : 1.0f);
    const auto& woods = scene_->mesh().woods;
    for (int i = 0; i < std::min<int>(static_cast<int>(woods.size()), mostWoods); ++i) {
        const Figure& f = woods[static_cast<size_t>(i)]->figure;
        const QByteArray place = "[" + QByteArray::number(i) + "]";
        program_.setUniformValue(("early" + place).constData(), QVector3D(f.early[0], f.early[1], f.early[2]));
        program_.setUniformValue(("late" + place).constData(), QVector3D(f.late[0], f.late[1], f.late[2]));
        program_.setUniformValue(("grain" + place).constData(), QVector3D(f.ringWidth, f.pores, f.waviness));
    }
    glEnable(GL_DEPTH_TEST);
    layout_.bind();
    glDrawElements(GL_TRIANGLES, count_, GL_UNSIGNED_INT, nullptr);
    layout_.release();
    program_.release();
    glDisable(GL_DEPTH_TEST);
    QPainter painter(this);
    scene_->drawMarks(painter, size());
}

}  // namespace vl::app
