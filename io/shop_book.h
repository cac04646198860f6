#pragma once

#include "core/piece/shop/shop.h"

#include "core/measure/input_error.h"

#include <QtGlobal>

#include <memory>
#include <string>

namespace vl::io {

/// The shop book: SQLite with write-ahead logging in one file. Its version is kept in `PRAGMA user_version`; an older
/// book is brought up to date when it is opened, a newer one is refused and left as it is. Every save is one
/// transaction: all of it or nothing.
class ShopBook {
public:
    /// What a save does where the book was changed since this one read or wrote it: by another window or program.
    enum class Changed { Refuse, WriteOver };

    /// Opens or makes the book. Throws InputError where it cannot be read or is no shop book, and BookOutOfReach where
    /// it may be whole and is left as it is.
    explicit ShopBook(const std::string& path);
    ~ShopBook();
    ShopBook(const ShopBook&) = delete;
    ShopBook& operator=(const ShopBook&) = delete;

    static constexpr int version = 7;
    /// Whether a shop was ever saved in it.
    bool empty() const;
    /// The shop as it stands in the book. Throws InputError where what it holds is beyond the limits.
    Shop load() const;
    /// False, and the book as it was, where another has changed it since this one last read or wrote it. Throws
    /// InputError, with the database's reason, where it cannot be written; the book is then as it was.
    bool save(const Shop& shop, Changed changed = Changed::Refuse);

private:
    struct Connection;
    std::unique_ptr<Connection> db_;
    mutable qint64 seen_ = 0;  // how often the book had been saved when this one last read or wrote it
};

/// A book that a newer version of the program has written, that another program holds, or that cannot be written to:
/// nothing is known to be wrong with it.
class BookOutOfReach : public InputError {
public:
    using InputError::InputError;
};

}  // namespace vl::io
