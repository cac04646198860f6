#pragma once

#include "core/piece/shop.h"

#include <memory>
#include <string>

namespace vl::io {

/// The shop book: SQLite with write-ahead logging in one file. Its version is kept in `PRAGMA user_version`; an older
/// book is brought up to date when it is opened, a newer one is refused and left as it is. Every save is one
/// transaction: all of it or nothing.
class ShopBook {
public:
    /// Opens or makes the book. Throws InputError where it cannot be read, is no shop book, or is of a newer version.
    explicit ShopBook(const std::string& path);
    ~ShopBook();
    ShopBook(const ShopBook&) = delete;
    ShopBook& operator=(const ShopBook&) = delete;

    static constexpr int version = 2;
    /// Whether a shop was ever saved in it.
    bool empty() const;
    /// The shop as it stands in the book. Throws InputError where what it holds is beyond the limits.
    Shop load() const;
    /// Throws InputError, with the database's reason, where it cannot be written; the book is then as it was.
    void save(const Shop& shop);

private:
    struct Connection;
    std::unique_ptr<Connection> db_;
};

}  // namespace vl::io
