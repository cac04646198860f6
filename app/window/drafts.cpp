#include "app/window/drafts.h"

#include "core/measure/input_error.h"
#include "io/files.h"

#include <QDir>
#include <QJsonDocument>
#include <QJsonObject>
#include <QUuid>

#include <utility>

namespace vl::app {

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
    connect(&doc_, &Document::changed, this, [this] {
        // What was done at the machine is kept at once: nobody ticks it again.
        if (doc_.piece().progress != std::exchange(progress_, doc_.piece().progress)) return write();
        timer_.start();
    });
    connect(&doc_, &Document::pathChanged, &timer_, qOverload<>(&QTimer::start));
}

Drafts::~Drafts() { QFile::remove(file()); }

QString Drafts::file() const { return folder_ + "/" + name_ + ".draft"; }

void Drafts::write()
{
    if (!doc_.edited()) {
        QFile::remove(file());
        return;
    }
    const QJsonObject draft{{"path", doc_.path()}, {"piece", QString::fromStdString(io::writePiece(doc_.piece()))}};
    try {
        io::writeFile(file().toStdString(), QJsonDocument(draft).toJson().toStdString());
    } catch (const InputError& e) {
        emit failed(QString::fromStdString(e.what()));
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
            found.push_back({info.filePath(), draft["path"].toString(),
                             io::readPiece(draft["piece"].toString().toStdString()).piece});
        } catch (const InputError&) {
            // A draft cut short by the same power cut: there is an older one, or nothing to bring back.
        }
    }
    return found;
}

void Drafts::discard(const Draft& draft) { QFile::remove(draft.file); }

}  // namespace vl::app
