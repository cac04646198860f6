#include "io/files.h"

#include "io/fresh_file.h"
#include "io/shop_json.h"

#include "core/measure/input_error.h"

#include <QFile>
#include <QFileInfo>
#include <QTemporaryFile>

namespace vl::io {
namespace {

QString qt(const std::string& s) { return QString::fromStdString(s); }

[[noreturn]] void fail(const std::string& path, const QString& why, const std::string& limit)
{
    throw InputError(path, why.toStdString(), limit);
}

}  // namespace

std::string readFile(const std::string& path)
{
    constexpr qint64 most = 64 << 20;
    QFile file(qt(path));
    if (QFileInfo(file).isDir()) fail(path, "a folder", "a file is");
    if (!file.open(QIODevice::ReadOnly)) fail(path, file.errorString(), "a file that can be read is");
    // A pipe or a device has no size beforehand, and may have no end.
    const QByteArray all = file.read(most + 1);
    if (file.error() != QFileDevice::NoError) fail(path, file.errorString(), "a file that can be read is");
    if (all.size() > most) fail(path, "more than 64 MiB", "up to 64 MiB are");
    return all.toStdString();
}

void writeFile(const std::string& path, std::string_view text)
{
    replaceFile(path, [text](QIODevice& file) { file.write(text.data(), static_cast<qint64>(text.size())); });
}

void replaceFile(const std::string& path, const std::function<void(QIODevice&)>& write)
{
    FreshFile file(path);
    write(file);
    file.commit();
}

void replaceFile(const std::string& path, const std::function<void(const std::string&)>& write, std::string_view ending)
{
    FreshFile file(path);
    if (!file.isDevice()) {
        write(file.writersPath());
        return file.commit(ending);
    }
    // What is whole is known of a file only: it is made beside, and then sent on piece by piece.
    QTemporaryFile whole;
    if (!whole.open()) fail(path, whole.errorString(), "a place for a temporary file is");
    write(whole.fileName().toStdString());
    whole.seek(std::max<qint64>(0, whole.size() - static_cast<qint64>(ending.size())));
    if (whole.readAll().toStdString() != ending) fail(path, "no room left", "a place with room is");
    whole.seek(0);
    while (!whole.atEnd()) file.write(whole.read(1 << 16));
    file.commit();
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
