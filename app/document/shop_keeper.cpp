#include "app/document/shop_keeper.h"

#include "io/files.h"

#include <QDateTime>
#include <QDir>
#include <QFileInfo>

namespace vl::app {

ShopKeeper::ShopKeeper(Document& document, const QString& folder, QObject* parent)
    : QObject(parent), doc_(document), folder_(folder)
{
    constexpr int wait = 5000;
    again_.setInterval(wait);
    connect(&again_, &QTimer::timeout, this, &ShopKeeper::keepNow);
    connect(&doc_, &Document::wantedChanged, this, &ShopKeeper::follow);
    connect(&doc_, &Document::changed, this, &ShopKeeper::follow);  // a drag has ended
}

ShopKeeper::~ShopKeeper() = default;

void ShopKeeper::open()
{
    QDir().mkpath(folder_);
    const QString path = folder_ + "/shop.sqlite";
    try {
        book_ = std::make_unique<io::ShopBook>(path.toStdString());
        if (!book_->empty()) doc_.setShop(book_->load());
    } catch (const io::BookOutOfReach& e) {
        book_.reset();
        emit said(QString::fromStdString(e.what()));
    } catch (const std::exception& e) {
        book_.reset();
        putAside(path, QString::fromUtf8(e.what()));
    }
    const QString before = folder_ + "/shop.json";  // what an earlier version kept
    try {
        if (book_ && book_->empty() && QFileInfo::exists(before)) doc_.setShop(io::loadShop(before.toStdString()));
    } catch (const std::exception& e) {
        emit said(QString::fromUtf8(e.what()));
    }
    kept_ = doc_.wanted().shop;
}

/// All of the book's files go under another name, or none.
void ShopKeeper::putAside(const QString& path, const QString& why)
{
    const QString aside =
        folder_ + "/shop-unread-" + QDateTime::currentDateTime().toString("yyyyMMdd-hhmmss-zzz") + ".sqlite";
    QStringList moved;
    bool all = true;
    for (const QString& part : {QString(), QStringLiteral("-wal"), QStringLiteral("-shm")}) {
        if (!QFile::exists(path + part)) continue;
        all = QFile::rename(path + part, aside + part);
        if (!all) break;
        moved << part;
    }
    if (!all)
        for (const QString& part : moved) QFile::rename(aside + part, path + part);
    emit said(tr("The shop book could not be read: %1. %2")
                  .arg(why, all ? tr("It is kept as %1.").arg(QFileInfo(aside).fileName())
                                : tr("It is left as it is; nothing is written to it.")));
    if (!all) return;
    try {
        book_ = std::make_unique<io::ShopBook>(path.toStdString());
    } catch (const std::exception& e) {
        emit said(QString::fromUtf8(e.what()));
    }
}

void ShopKeeper::lend()
{
    if (!own_) own_ = doc_.wanted().shop;
}

void ShopKeeper::giveBack() { own_.reset(); }

void ShopKeeper::takeOver()
{
    own_.reset();
    follow();
}

void ShopKeeper::follow()
{
    if (doc_.live() || clashed_ || !book_ || kept_ == own()) return;
    save(io::ShopBook::Changed::Refuse);
}

bool ShopKeeper::keepNow()
{
    follow();
    return trouble_.isEmpty();
}

bool ShopKeeper::save(io::ShopBook::Changed changed)
{
    const Shop shop = own();
    try {
        if (book_->save(shop, changed)) {
            kept_ = shop;
            setTrouble({});
            return true;
        }
    } catch (const std::exception& e) {
        setTrouble(QString::fromUtf8(e.what()));
        return false;
    }
    clashed_ = true;
    QTimer::singleShot(0, this, &ShopKeeper::clash);
    return false;
}

void ShopKeeper::setTrouble(const QString& words)
{
    if (words.isEmpty())
        again_.stop();
    else if (!again_.isActive())
        again_.start();
    if (words == trouble_) return;
    trouble_ = words;
    emit troubleChanged();
}

void ShopKeeper::takeTheBooks()
{
    clashed_ = false;
    try {
        kept_ = book_->load();
        doc_.setShop(kept_);
    } catch (const std::exception& e) {
        emit said(QString::fromUtf8(e.what()));
    }
}

void ShopKeeper::writeOver()
{
    clashed_ = false;
    save(io::ShopBook::Changed::WriteOver);
}

}  // namespace vl::app
