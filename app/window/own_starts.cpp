#include "app/window/own_starts.h"

#include "core/measure/input_error.h"
#include "io/files.h"

#include <QDir>
#include <QUrl>

namespace vl::app {

std::vector<OwnStart> ownStarts(const QString& folder)
{
    std::vector<OwnStart> all;
    for (const QFileInfo& file : QDir(folder).entryInfoList({"*.vlathe"}, QDir::Files, QDir::Name)) try {
            all.push_back({file.filePath(), io::loadPiece(file.filePath().toStdString()).piece});
        } catch (const InputError&) {
            // Nothing to begin from.
        }
    return all;
}

void keepAsStart(const Piece& piece, const QString& folder)
{
    Piece start = piece;
    start.id.clear();
    start.progress = {};
    QDir().mkpath(folder);
    // Any name is a file's name once what a path would read in it is written as numbers.
    const QString file = QString::fromLatin1(QUrl::toPercentEncoding(QString::fromStdString(piece.name), " "));
    io::writeFile((folder + "/" + file + ".vlathe").toStdString(), io::writePiece(start));
}

}  // namespace vl::app
