#include "io/files.h"

#include "io/shop_json.h"

#include "core/measure/input_error.h"

#include <QFile>
#include <QFileInfo>
#include <QSaveFile>
#include <QTemporaryFile>

namespace vl::io {
namespace {

QString qt(const std::string& s) { return QString::fromStdString(s); }

[[noreturn]] void fail(const std::string& path, const QString& why, const std::string& limit)
{
    throw InputError(path, why.toStdString(), limit);
}

/// Writes all of a text, or fails: on a full disk a write may take a part and report no error.
template <class File> void writeAll(File& file, const std::string& path, std::string_view text)
{
    const auto size = static_cast<qint64>(text.size());
    if (file.write(text.data(), size) == size && file.flush()) return;
    const QString why = file.error() == QFileDevice::NoError ? QStringLiteral("no room left") : file.errorString();
    if constexpr (requires { file.cancelWriting(); }) file.cancelWriting();
    fail(path, why, "a place with room for " + std::to_string(text.size()) + " bytes is");
}

}  // namespace

std::string readFile(const std::string& path)
{
    QFile file(qt(path));
    if (QFileInfo(file).isDir()) fail(path, "a folder", "a file is");
    if (!file.open(QIODevice::ReadOnly)) fail(path, file.errorString(), "a file that can be read is");
    if (file.size() > (64 << 20)) fail(path, QString::number(file.size()) + " bytes", "up to 64 MiB are");
    return file.readAll().toStdString();
}

void writeFile(const std::string& path, std::string_view text)
{
    const QFileInfo there(qt(path));
    if (there.exists() && !there.isFile() && !there.isDir()) {
        // A device or a pipe is written to where it is: a rename would put a file in its place.
        QFile device(qt(path));
        if (!device.open(QIODevice::WriteOnly)) fail(path, device.errorString(), "a place that can be written to is");
        return writeAll(device, path, text);
    }
    QSaveFile file(qt(path));
    if (!file.open(QIODevice::WriteOnly)) fail(path, file.errorString(), "a place that can be written to is");
    writeAll(file, path, text);
    if (!file.commit()) fail(path, file.errorString(), "a place that can be written to, with room on it, is");
}

void replaceFile(const std::string& path, const std::function<void(const std::string&)>& write)
{
    QTemporaryFile file(qt(path) + ".XXXXXX");
    if (!file.open()) fail(path, file.errorString(), "a place that can be written to is");
    file.close();
    const std::string temporary = file.fileName().toStdString();
    write(temporary);
    writeFile(path, readFile(temporary));
}

LoadedPiece loadPiece(const std::string& path)
{
    const std::string text = readFile(path);
    try {
        return readPiece(text);
    } catch (const InputError& e) {
        throw InputError(path + ": " + e.field(), e.value(), e.limit());
    }
}

Shop loadShop(const std::string& path)
{
    const std::string text = readFile(path);
    std::vector<std::string> notes;
    try {
        return readShop(text, notes);
    } catch (const InputError& e) {
        throw InputError(path + ": " + e.field(), e.value(), e.limit());
    }
}

}  // namespace vl::io
