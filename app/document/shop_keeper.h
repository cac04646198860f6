#pragma once

#include "app/document/document.h"
#include "io/shop_book.h"

#include <QTimer>

#include <memory>
#include <optional>

namespace vl::app {

/// Keeps the turner's shop in the shop book, and out of it what a lent workshop comes to.
///
/// What is changed at the machines outlives the piece: it is in the book as soon as it is wanted, or once a drag has
/// ended. A save that fails is tried again until it succeeds.
class ShopKeeper : public QObject {
    Q_OBJECT
public:
    /// Opens the book in `folder`. One that cannot be read whole is kept aside under another name and never written
    /// over; one that is of a newer version, or cannot be reached, is left where it is, and the shop then lives as long
    /// as the window.
    ShopKeeper(Document& document, const QString& folder, QObject* parent = nullptr);
    ~ShopKeeper() override;

    /// Reads the book's shop into the document; said() tells what is wrong with it.
    void open();
    bool isLent() const { return own_.has_value(); }
    /// The turner's own shop, whichever the document is in.
    const Shop& own() const { return own_ ? *own_ : doc_.wanted().shop; }
    /// The document is in a lent workshop from now on, or in the turner's own again. Neither is a change of the shop.
    void lend();
    void giveBack();
    /// The workshop that was lent becomes the turner's.
    void takeOver();
    /// Why the last save failed; empty while all is kept.
    const QString& trouble() const { return trouble_; }
    /// Tries once more; whether all is kept now, as far as there is a book.
    bool keepNow();
    /// After clash(): the book's shop, this one in its place, or neither until the next change.
    void takeTheBooks();
    void writeOver();
    void leave() { clashed_ = false; }

signals:
    void said(const QString& words);
    void troubleChanged();
    /// Another window has changed the book meanwhile; asked for outside of any change.
    void clash();

private:
    void follow();
    bool save(io::ShopBook::Changed changed);
    void setTrouble(const QString& words);
    void putAside(const QString& path, const QString& why);

    Document& doc_;
    QString folder_;
    std::unique_ptr<io::ShopBook> book_;
    std::optional<Shop> own_;  ///< while another is lent
    Shop kept_;                ///< as the book has it
    bool clashed_ = false;     ///< nothing is saved until it is decided whose shop stays
    QString trouble_;
    QTimer again_;
};

}  // namespace vl::app
