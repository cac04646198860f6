#include "io/shop_book.h"

#include "core/measure/input_error.h"
#include "io/shop_fields.h"

#include <QSqlDatabase>
#include <QSqlError>
#include <QSqlQuery>
#include <QString>
#include <QUuid>
#include <QVariant>

namespace vl::io {
namespace {

QString q(const std::string& s) { return QString::fromStdString(s); }

template <class T> QString columns(std::span<const NumberField<T>> fields, const char* type)
{
    QString out;
    for (const auto& f : fields) out += QStringLiteral(", %1%2").arg(QLatin1String(f.key), QLatin1String(type));
    return out;
}

}  // namespace

struct ShopBook::Connection {
    std::string path;
    QString name = QUuid::createUuid().toString();
    QSqlDatabase db;

    explicit Connection(const std::string& file) : path(file), db(QSqlDatabase::addDatabase(QStringLiteral("QSQLITE"), name))
    {
        db.setDatabaseName(q(file));
        db.setConnectOptions(QStringLiteral("QSQLITE_BUSY_TIMEOUT=2000"));
    }
    ~Connection()
    {
        db.close();
        db = {};
        QSqlDatabase::removeDatabase(name);
    }
    [[noreturn]] void fail(const QSqlError& e) const { throw InputError("shop book " + path, "'" + e.text().toStdString() + "'", "a book that can be read and written is"); }
    QSqlQuery run(const QString& sql, const QVariantList& values = {}) const
    {
        QSqlQuery query(db);
        if (!query.prepare(sql)) fail(query.lastError());
        for (const QVariant& v : values) query.addBindValue(v);
        if (!query.exec()) fail(query.lastError());
        return query;
    }
    /// All of `changes` or nothing.
    template <class Changes> void together(Changes changes)
    {
        if (!db.transaction()) fail(db.lastError());
        try {
            changes();
            if (!db.commit()) fail(db.lastError());
        } catch (...) {
            db.rollback();
            throw;
        }
    }
};

ShopBook::ShopBook(const std::string& path) : db_(std::make_unique<Connection>(path))
{
    if (!db_->db.open()) db_->fail(db_->db.lastError());
    QSqlQuery now = db_->run(QStringLiteral("PRAGMA user_version"));
    now.next();
    int found = now.value(0).toInt();
    now.finish();
    if (found > version) throw InputError("shop book " + path, "version " + std::to_string(found), "a book of version " + std::to_string(version) + " or older is");
    db_->run(QStringLiteral("PRAGMA journal_mode=WAL")).finish();
    db_->run(QStringLiteral("PRAGMA foreign_keys=ON"));
    if (found < version)
        db_->together([&] {
            if (found < 1) {
                db_->run(QStringLiteral("CREATE TABLE setting (key TEXT PRIMARY KEY, value)"));
                db_->run(QStringLiteral("CREATE TABLE board (place INTEGER NOT NULL, id TEXT PRIMARY KEY, wood TEXT NOT NULL%1)").arg(columns(boardNumbers(), " REAL NOT NULL")));
                db_->run(QStringLiteral("CREATE TABLE defect (board TEXT NOT NULL REFERENCES board(id) ON DELETE CASCADE, what TEXT NOT NULL%1)").arg(columns(defectNumbers(), " REAL NOT NULL")));
            }
            if (found < 2) {
                QString flags;
                for (const GlueFlag& f : glueFlags()) flags += QStringLiteral(", %1 INTEGER NOT NULL").arg(QLatin1String(f.key));
                db_->run(QStringLiteral("CREATE TABLE glue (place INTEGER NOT NULL, id TEXT PRIMARY KEY, name TEXT NOT NULL, release_by TEXT NOT NULL, note TEXT NOT NULL%1%2)")
                             .arg(columns(glueNumbers(), " REAL NOT NULL"), flags));
            }
            db_->run(QStringLiteral("PRAGMA user_version=%1").arg(version));
        });
}

ShopBook::~ShopBook() = default;

bool ShopBook::empty() const
{
    QSqlQuery rows = db_->run(QStringLiteral("SELECT count(*) FROM setting"));
    rows.next();
    return rows.value(0).toInt() == 0;
}

Shop ShopBook::load() const
{
    Shop shop;
    QSqlQuery settings = db_->run(QStringLiteral("SELECT key, value FROM setting"));
    while (settings.next()) {
        const std::string key = settings.value(0).toString().toStdString();
        if (key == "name") shop.name = settings.value(1).toString().toStdString();
        for (const auto& f : shopNumbers())
            if (key == f.key) shop.*f.member = settings.value(1).toDouble();
        for (size_t d = 0; d < shop.hours.size(); ++d)
            for (size_t k = 0; k < 2; ++k)
                if (key == "hours_" + std::to_string(d) + (k ? "_end" : "_begin")) shop.hours[d][k] = settings.value(1).toDouble();
    }
    QSqlQuery boards = db_->run(QStringLiteral("SELECT id, wood%1 FROM board ORDER BY place").arg(columns(boardNumbers(), "")));
    while (boards.next()) {
        Board b;
        b.id = boards.value(0).toString().toStdString();
        b.wood = boards.value(1).toString().toStdString();
        int at = 2;
        for (const auto& f : boardNumbers()) b.*f.member = boards.value(at++).toDouble();
        QSqlQuery defects = db_->run(QStringLiteral("SELECT what%1 FROM defect WHERE board=? ORDER BY rowid").arg(columns(defectNumbers(), "")), {boards.value(0)});
        while (defects.next()) {
            Defect d;
            d.what = defects.value(0).toString().toStdString();
            at = 1;
            for (const auto& f : defectNumbers()) d.*f.member = defects.value(at++).toDouble();
            b.defects.push_back(d);
        }
        shop.rack.push_back(b);
    }
    QString flags;
    for (const GlueFlag& f : glueFlags()) flags += QStringLiteral(", %1").arg(QLatin1String(f.key));
    QSqlQuery glues = db_->run(QStringLiteral("SELECT id, name, release_by, note%1%2 FROM glue ORDER BY place").arg(columns(glueNumbers(), ""), flags));
    std::vector<Glue> book;
    while (glues.next()) {
        Glue g;
        g.id = glues.value(0).toString().toStdString();
        g.name = glues.value(1).toString().toStdString();
        g.release = glues.value(2).toString().toStdString();
        g.note = glues.value(3).toString().toStdString();
        int at = 4;
        for (const auto& f : glueNumbers()) g.*f.member = glues.value(at++).toDouble();
        for (const GlueFlag& f : glueFlags()) g.*f.member = glues.value(at++).toBool();
        book.push_back(g);
    }
    if (!book.empty()) shop.glues = book;
    checkShop(shop);
    return shop;
}

void ShopBook::save(const Shop& shop)
{
    checkShop(shop);
    db_->together([&] {
        for (const char* table : {"setting", "defect", "board", "glue"}) db_->run(QStringLiteral("DELETE FROM %1").arg(QLatin1String(table)));
        auto set = [&](const std::string& key, const QVariant& value) { db_->run(QStringLiteral("INSERT INTO setting VALUES (?, ?)"), {q(key), value}); };
        set("name", q(shop.name));
        for (const auto& f : shopNumbers()) set(f.key, shop.*f.member);
        for (size_t d = 0; d < shop.hours.size(); ++d)
            for (size_t k = 0; k < 2; ++k) set("hours_" + std::to_string(d) + (k ? "_end" : "_begin"), shop.hours[d][k]);
        auto insert = [&](const char* table, const QVariantList& values) {
            QString marks;
            for (qsizetype i = 0; i < values.size(); ++i) marks += i ? ", ?" : "?";
            db_->run(QStringLiteral("INSERT INTO %1 VALUES (%2)").arg(QLatin1String(table), marks), values);
        };
        int place = 0;
        for (const Board& b : shop.rack) {
            QVariantList values{place++, q(b.id), q(b.wood)};
            for (const auto& f : boardNumbers()) values << b.*f.member;
            insert("board", values);
            for (const Defect& d : b.defects) {
                QVariantList one{q(b.id), q(d.what)};
                for (const auto& f : defectNumbers()) one << d.*f.member;
                insert("defect", one);
            }
        }
        place = 0;
        for (const Glue& g : shop.glues) {
            QVariantList values{place++, q(g.id), q(g.name), q(g.release), q(g.note)};
            for (const auto& f : glueNumbers()) values << g.*f.member;
            for (const GlueFlag& f : glueFlags()) values << g.*f.member;
            insert("glue", values);
        }
    });
}

}  // namespace vl::io
