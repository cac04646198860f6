#include "app/window/drafts.h"

#include "core/measure/input_error.h"
#include "io/files.h"

#include <QCryptographicHash>
#include <QDir>
#include <QJsonDocument>
#include <QJsonObject>
#include <QUuid>

#include <utility>

namespace vl::app {

QByteArray digestOf(const std::string& text)
{
    return QCryptographicHash::hash(QByteArrayView(text), QCryptographicHash::Sha256).toHex();
}

Drafts::Drafts(Document& document, const QString& folder, QObject* parent)
    : QObject(parent), doc_(document), folder_(folder), name_(QUuid::createUuid().toString(QUuid::WithoutBraces))
{
    QDir().mkpath(folder_);
    lock_ = std::make_unique<QLockFile>(folder_ + "/" + name_ + ".lock");
    lock_->setStaleLockTime(0);
    lock_->tryLock(0);
    timer_.setSingleShot(true);
    timer_.setInterval(1000);
    connect(&timer_, &QTimer::timeout, this, &Drafts::write);
    connect(&doc_, &Document::wantedChanged, this, [this] {
        // What was done at the machine is kept at once: nobody ticks it again.
        const Progress& now = doc_.wanted().piece.progress;
        if (now != std::exchange(progress_, now))
            write();
        else if (!timer_.isActive())  // changes that go on do not put it off
            timer_.start();
    });
    connect(&doc_, &Document::pathChanged, &timer_, qOverload<>(&QTimer::start));
}

Drafts::~Drafts() { QFile::remove(file()); }

QString Drafts::file() const { return folder_ + "/" + name_ + ".draft"; }

bool Drafts::write()
{
    if (!doc_.edited()) return !QFile::exists(file()) || QFile::remove(file());
    const QJsonObject draft{{"path", doc_.path()},
                            {"on_disk", QString::fromLatin1(onDisk_)},
                            {"piece", QString::fromStdString(io::writePiece(doc_.wanted().piece))}};
    try {
        io::writeFile(file().toStdString(), QJsonDocument(draft).toJson().toStdString());
        return true;
    } catch (const std::exception& e) {
        emit failed(QString::fromStdString(e.what()));
        return false;
    }
}

std::vector<Draft> Drafts::leftBehind() const
{
    std::vector<Draft> found;
    for (const QFileInfo& info : QDir(folder_).entryInfoList({"*.draft"}, QDir::Files, QDir::Time)) {
        QLockFile lock(folder_ + "/" + info.completeBaseName() + ".lock");
        lock.setStaleLockTime(0);
        if (info.completeBaseName() == name_ || !lock.tryLock(0)) continue;
        try {
            const QJsonObject draft =
                QJsonDocument::fromJson(QByteArray::fromStdString(io::readFile(info.filePath().toStdString())))
                    .object();
            found.push_back({.file = info.filePath(),
                             .path = draft["path"].toString(),
                             .onDisk = draft["on_disk"].toString().toLatin1(),
                             .piece = io::readPiece(draft["piece"].toString().toStdString()).piece});
        } catch (const InputError&) {
            // A draft cut short by the same power cut: there is an older one, or nothing to bring back.
        }
    }
    return found;
}

void Drafts::discard(const Draft& draft) { QFile::remove(draft.file); }

}  // namespace vl::app
