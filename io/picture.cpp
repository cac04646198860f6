#include "io/picture.h"

#include "core/measure/input_error.h"
#include "core/picture/render.h"
#include "io/files.h"

#include <QBuffer>
#include <QImage>

namespace vl::io {

void writePicture(const Mesh& mesh, double height, double diameter, const std::string& path)
{
    constexpr int wide = 1280, high = 960, finer = 2;
    constexpr std::uint32_t paper = 0xffffffffu;
    Raster raster = renderMesh(mesh, Camera{}, height, diameter, wide * finer, high * finer, paper);
    const QImage image(reinterpret_cast<const uchar*>(raster.pixels.data()), raster.width, raster.height,
                       QImage::Format_ARGB32);
    QByteArray bytes;
    QBuffer out(&bytes);
    out.open(QIODevice::WriteOnly);
    if (!image.scaled(wide, high, Qt::IgnoreAspectRatio, Qt::SmoothTransformation).save(&out, "PNG"))
        throw InputError(path, "a picture that cannot be made", "room in memory for it is");
    writeFile(path, bytes.toStdString());
}

}  // namespace vl::io
