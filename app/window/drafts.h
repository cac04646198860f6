#pragma once

#include "app/document/document.h"

#include <QLockFile>
#include <QTimer>

#include <memory>
#include <optional>

namespace vl::app {

/// What a session that ended without saving had open.
struct Draft {
    QString file;       ///< the draft itself
    QString path;       ///< the piece's own file; empty when it had none
    QByteArray onDisk;  ///< digestOf() that file; empty where it is not known
    Piece piece;
};

/// What a file holds, told from another.
QByteArray digestOf(const std::string& text);

/// Keeps the open piece in a draft within a second of each change, at once where something is ticked or measured, so
/// that a power cut costs at most the last moments; the draft goes when the piece is saved or put away. A locked draft
/// belongs to a running session.
class Drafts : public QObject {
    Q_OBJECT
public:
    Drafts(Document& document, const QString& folder, QObject* parent = nullptr);
    ~Drafts() override;

    /// Drafts that no running session owns, newest first; those that cannot be read are left where they are.
    std::vector<Draft> leftBehind() const;
    static void discard(const Draft& draft);
    /// Writes now; false where it cannot be written.
    bool write();
    /// digestOf() the piece's file as it was read or written last.
    const QByteArray& onDisk() const { return onDisk_; }
    void setOnDisk(const QByteArray& digest) { onDisk_ = digest; }

signals:
    void failed(const QString& why);

private:
    QString file() const;

    Document& doc_;
    QString folder_, name_;
    std::unique_ptr<QLockFile> lock_;
    QTimer timer_;
    Progress progress_;
    QByteArray onDisk_;
};

}  // namespace vl::app
