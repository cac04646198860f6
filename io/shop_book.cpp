#include "io/shop_book.h"

#include "core/measure/input_error.h"
#include "core/piece/records/field_items.h"
#include "io/fields_json.h"
#include "io/old_finishes.h"

#include <QSqlDatabase>
#include <QSqlError>
#include <QSqlQuery>
#include <QString>
#include <QThread>
#include <QUuid>
#include <QVariant>

namespace vl::io {
namespace {

QString q(const std::string& s) { return QString::fromStdString(s); }

/// A table's columns in the order in which it was made, which is that of the books that are out there: what comes first
/// is named here, the numbers and then the yes-or-no fields follow as they are declared.
template <class T> std::vector<FieldItem> columnsOf(std::initializer_list<const char*> first)
{
    const std::vector<FieldItem> all = itemsOf(T{});
    std::vector<FieldItem> out;
    for (const char* key : first) out.push_back(*std::ranges::find(all, key, &FieldItem::path));
    for (const Field::Kind kind : {Field::Kind::Number, Field::Kind::Flag})
        for (const FieldItem& f : all)
            if (f.field.kind == kind) out.push_back(f);
    return out;
}
const std::vector<FieldItem>& boardColumns()
{
    static const auto all = columnsOf<Board>({"id", "wood"});
    return all;
}
const std::vector<FieldItem>& defectColumns()
{
    static const auto all = columnsOf<Defect>({"what"});
    return all;
}
const std::vector<FieldItem>& glueColumns()
{
    static const auto all = columnsOf<Glue>({"id", "name", "release", "note"});
    return all;
}

const std::vector<FieldItem>& logColumns()
{
    static const std::vector<FieldItem> all = itemsOf(Logged{});
    return all;
}
const std::vector<FieldItem>& readingColumns()
{
    static const std::vector<FieldItem> all = itemsOf(Reading{});
    return all;
}
const std::vector<FieldItem>& woodColumns()
{
    static const auto all = columnsOf<OwnWood>({"name", "light", "dark"});
    return all;
}

/// "release" is a word of SQL's own.
QString columnName(const FieldItem& f) { return f.path == "release" ? QStringLiteral("release_by") : q(f.path); }

QString names(const std::vector<FieldItem>& columns)
{
    QStringList out;
    for (const FieldItem& f : columns) out << columnName(f);
    return out.join(QStringLiteral(", "));
}

QString definitions(const std::vector<FieldItem>& columns)
{
    QStringList out;
    for (const FieldItem& f : columns) {
        const char* type = f.field.kind == Field::Kind::Number                                       ? "REAL"
                           : f.field.kind == Field::Kind::Flag || f.field.kind == Field::Kind::Count ? "INTEGER"
                                                                                                     : "TEXT";
        out << columnName(f) + QStringLiteral(" %1 NOT NULL").arg(QLatin1String(type));
    }
    return out.join(QStringLiteral(", "));
}

QVariant toSql(const FieldValue& value)
{
    if (const auto* text = std::get_if<std::string>(&value)) return q(*text);
    if (const auto* flag = std::get_if<bool>(&value)) return *flag;
    if (const auto* count = std::get_if<int>(&value)) return *count;
    return std::get<double>(value);
}

/// A field set from what the book holds, whatever its kind.
template <class T> void putField(T& record, const std::string& path, const QVariant& value)
{
    if (setField(record, path, value.toDouble()) || setField(record, path, value.toInt())) return;
    setField(record, path, value.toString().toStdString());
}

/// The lists of what holds lists of its own: each record as it stands in a shop's file.
template <class ShopLike, class See> void eachRecordList(ShopLike& shop, See see)
{
    see("log", shop.log);
    see("finishes", shop.finishes);
    see("lessons", shop.lessons);
    see("kiln", shop.kiln);
}

/// The lists of machines, which stand among the settings: "other_jaws.0.depth_mm".
template <class ShopLike, class See> void eachMachineList(ShopLike& shop, See see)
{
    see("other_lathes", shop.otherLathes);
    see("other_jaws", shop.otherJaws);
    see("tools", shop.tools);
}

template <class List>
void putMachine(List& machines, const std::string& list, const std::string& key, const QVariant& value)
{
    if (!key.starts_with(list + ".")) return;
    const size_t point = key.find('.', list.size() + 1);
    const int place = q(key.substr(list.size() + 1, point - list.size() - 1)).toInt();
    if (point == std::string::npos || place < 0 || place >= static_cast<int>(mostMachines)) return;
    const auto i = static_cast<size_t>(place);
    if (machines.size() <= i) machines.resize(i + 1);
    putField(machines[i], key.substr(point + 1), value);
}

template <class T> QVariantList row(const T& record, const std::vector<FieldItem>& columns)
{
    const std::vector<FieldItem> all = itemsOf(record);
    QVariantList out;
    for (const FieldItem& f : columns) out << toSql(std::ranges::find(all, f.path, &FieldItem::path)->value);
    return out;
}

/// Puts what a row holds from column `at` on into a record.
template <class T> void take(T& record, const std::vector<FieldItem>& columns, const QSqlQuery& from)
{
    int at = 0;
    for (const FieldItem& f : columns) {
        const QVariant v = from.value(at++);
        if (std::holds_alternative<std::string>(f.value))
            setField(record, f.path, v.toString().toStdString());
        else if (std::holds_alternative<bool>(f.value))
            setField(record, f.path, v.toBool());
        else if (!setField(record, f.path, v.toDouble()))
            setField(record, f.path, v.toInt());
    }
}

}  // namespace

struct ShopBook::Connection {
    std::string path;
    QString name = QUuid::createUuid().toString();
    QSqlDatabase db;

    explicit Connection(const std::string& file)
        : path(file), db(QSqlDatabase::addDatabase(QStringLiteral("QSQLITE"), name))
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
    [[noreturn]] void fail(const QSqlError& e) const
    {
        const std::string field = "shop book " + path, value = "'" + e.text().toStdString() + "'",
                          limit = "a book that can be read and written is";
        // SQLite's own result codes: what it finds damaged, or no book at all, is unreadable. The rest may be whole.
        enum { Error = 1, Corrupt = 11, Schema = 17, Mismatch = 20, NotADatabase = 26 };
        const int code = e.nativeErrorCode().toInt() & 0xff;
        for (const int unreadable : {Error, Corrupt, Schema, Mismatch, NotADatabase})
            if (code == unreadable) throw InputError(field, value, limit);
        throw BookOutOfReach(field, value, limit);
    }
    QSqlQuery run(const QString& sql, const QVariantList& values = {}) const
    {
        QSqlQuery query(db);
        if (!query.prepare(sql)) fail(query.lastError());
        for (const QVariant& v : values) query.addBindValue(v);
        if (!query.exec()) fail(query.lastError());
        return query;
    }
    /// Another window that begins at the same moment holds the file for a moment; SQLite does not wait for this change.
    void writeAhead() const
    {
        constexpr int tries = 100, pause = 20;  // ms
        for (int k = 0;; ++k) try {
                run(QStringLiteral("PRAGMA journal_mode=WAL")).finish();
                return;
            } catch (const BookOutOfReach&) {
                if (k == tries) throw;
                QThread::msleep(pause);
            }
    }
    int foundVersion() const
    {
        QSqlQuery found = run(QStringLiteral("PRAGMA user_version"));
        return found.next() ? found.value(0).toInt() : 0;
    }
    /// How often the book was saved.
    qint64 saves() const
    {
        QSqlQuery found = run(QStringLiteral("SELECT value FROM setting WHERE key='saves'"));
        return found.next() ? found.value(0).toLongLong() : 0;
    }
    void putRecord(const char* list, int place, const std::string& json) const
    {
        run(QStringLiteral("INSERT INTO record VALUES (?, ?, ?)"), {QLatin1String(list), place, q(json)});
    }
    /// Fields declared since the table was made: what is in it gets what `known` records of the same id have, else what
    /// a new record has.
    template <class T>
    void addColumns(const QString& table, const std::vector<FieldItem>& columns, const std::vector<T>& known)
    {
        QStringList there;
        for (QSqlQuery info = run(QStringLiteral("PRAGMA table_info(%1)").arg(table)); info.next();)
            there << info.value(1).toString();
        for (const FieldItem& f : columns) {
            if (there.contains(columnName(f))) continue;
            const QVariant usual = row(T{}, {f}).front();
            const bool text = f.field.kind == Field::Kind::Text || f.field.kind == Field::Kind::Wood;
            run(QStringLiteral("ALTER TABLE %1 ADD COLUMN %2 %3 NOT NULL DEFAULT %4")
                    .arg(table, columnName(f), text ? QStringLiteral("TEXT") : QStringLiteral("REAL"),
                         text ? QStringLiteral("'%1'").arg(usual.toString()) : usual.toString()));
            if constexpr (requires(T record) { record.id; })
                for (const T& k : known)
                    run(QStringLiteral("UPDATE %1 SET %2=? WHERE id=?").arg(table, columnName(f)),
                        {row(k, {f}).front(), q(k.id)});
        }
    }
    /// All of `changes` or nothing.
    template <class Changes> void together(Changes changes)
    {
        // Held from the beginning: what is read within stays true until it is written.
        run(QStringLiteral("BEGIN IMMEDIATE"));
        try {
            changes();
            run(QStringLiteral("COMMIT"));
        } catch (...) {
            QSqlQuery(db).exec(QStringLiteral("ROLLBACK"));
            throw;
        }
    }
};

ShopBook::ShopBook(const std::string& path) : db_(std::make_unique<Connection>(path))
{
    if (!db_->db.open()) db_->fail(db_->db.lastError());
    int found = db_->foundVersion();
    if (found > version)
        throw BookOutOfReach("shop book " + path, "version " + std::to_string(found),
                             "a book of version " + std::to_string(version) + " or older is");
    db_->writeAhead();
    db_->run(QStringLiteral("PRAGMA foreign_keys=ON"));
    if (found < version)
        db_->together([&] {
            found = db_->foundVersion();  // another window may have brought it up to date meanwhile
            if (found >= version) return;
            if (found < 1) {
                db_->run(QStringLiteral("CREATE TABLE setting (key TEXT PRIMARY KEY, value)"));
                db_->run(QStringLiteral("CREATE TABLE board (place INTEGER NOT NULL, %1, UNIQUE (id))")
                             .arg(definitions(boardColumns())));
                db_->run(QStringLiteral(
                             "CREATE TABLE defect (board TEXT NOT NULL REFERENCES board(id) ON DELETE CASCADE, %1)")
                             .arg(definitions(defectColumns())));
            }
            if (found < 2) {
                db_->run(QStringLiteral("CREATE TABLE glue (place INTEGER NOT NULL, %1, UNIQUE (id))")
                             .arg(definitions(glueColumns())));
            }
            if (found < 4)
                db_->run(QStringLiteral("CREATE TABLE IF NOT EXISTS wood (place INTEGER NOT NULL, %1)")
                             .arg(definitions(woodColumns())));
            if (found < 5) {
                db_->run(QStringLiteral("CREATE TABLE IF NOT EXISTS log (place INTEGER NOT NULL, %1)")
                             .arg(definitions(logColumns())));
                db_->run(QStringLiteral("CREATE TABLE IF NOT EXISTS reading (place INTEGER NOT NULL, %1)")
                             .arg(definitions(readingColumns())));
            }
            if (found < 6)
                db_->run(
                    QStringLiteral("CREATE TABLE IF NOT EXISTS record (list TEXT NOT NULL, place INTEGER NOT NULL, "
                                   "json TEXT NOT NULL)"));
            if (found < 7) {
                // An entry has a list of its own since then: it is a record.
                db_->addColumns(QStringLiteral("log"), logColumns(), std::vector<Logged>{});
                QSqlQuery old = db_->run(QStringLiteral("SELECT %1 FROM log ORDER BY place").arg(names(logColumns())));
                for (int place = 0; old.next(); ++place) {
                    Logged entry;
                    take(entry, logColumns(), old);
                    db_->putRecord("log", place, FieldWriter::written(entry).dump());
                }
                old.finish();
                db_->run(QStringLiteral("DROP TABLE log"));
            }
            db_->addColumns(QStringLiteral("reading"), readingColumns(), std::vector<Reading>{});
            db_->addColumns(QStringLiteral("board"), boardColumns(), std::vector<Board>{});
            db_->addColumns(QStringLiteral("glue"), glueColumns(), commonGlues());
            db_->run(QStringLiteral("PRAGMA user_version=%1").arg(version));
        });
}

ShopBook::~ShopBook() = default;

bool ShopBook::empty() const
{
    QSqlQuery rows = db_->run(QStringLiteral("SELECT count(*) FROM setting WHERE key<>'saves'"));
    rows.next();
    return rows.value(0).toInt() == 0;
}

Shop ShopBook::load() const
{
    seen_ = db_->saves();
    Shop shop;
    QSqlQuery settings = db_->run(QStringLiteral("SELECT key, value FROM setting"));
    while (settings.next()) {
        const std::string key = settings.value(0).toString().toStdString();
        const QVariant value = settings.value(1);
        if (key == "saves") continue;
        putField(shop, key, value);
        eachMachineList(shop, [&](const char* list, auto& machines) { putMachine(machines, list, key, value); });
        for (size_t d = 0; d < shop.hours.size(); ++d)
            for (size_t k = 0; k < 2; ++k)
                if (key == "hours_" + std::to_string(d) + (k ? "_end" : "_begin"))
                    shop.hours[d][k] = settings.value(1).toDouble();
    }
    // Before the boards, which may be of them.
    QSqlQuery woods = db_->run(QStringLiteral("SELECT %1 FROM wood ORDER BY place").arg(names(woodColumns())));
    while (woods.next()) {
        OwnWood w;
        take(w, woodColumns(), woods);
        makeKnown(w);
        shop.woods.push_back(w);
    }
    QSqlQuery boards = db_->run(QStringLiteral("SELECT %1 FROM board ORDER BY place").arg(names(boardColumns())));
    while (boards.next()) {
        Board b;
        take(b, boardColumns(), boards);
        QSqlQuery defects =
            db_->run(QStringLiteral("SELECT %1 FROM defect WHERE board=? ORDER BY rowid").arg(names(defectColumns())),
                     {q(b.id)});
        while (defects.next()) {
            Defect d;
            take(d, defectColumns(), defects);
            b.defects.push_back(d);
        }
        shop.rack.push_back(b);
    }
    QSqlQuery glues = db_->run(QStringLiteral("SELECT %1 FROM glue ORDER BY place").arg(names(glueColumns())));
    std::vector<Glue> book;
    while (glues.next()) {
        Glue g;
        take(g, glueColumns(), glues);
        book.push_back(g);
    }
    if (!book.empty()) shop.glues = book;
    const auto listed = [&](const char* table, const std::vector<FieldItem>& columns, auto& list) {
        QSqlQuery found =
            db_->run(QStringLiteral("SELECT %1 FROM %2 ORDER BY place").arg(names(columns), QLatin1String(table)));
        while (found.next()) {
            list.emplace_back();
            take(list.back(), columns, found);
        }
    };
    listed("reading", readingColumns(), shop.readings);
    eachRecordList(shop, [&](const char* list, auto& records) {
        QSqlQuery found =
            db_->run(QStringLiteral("SELECT json FROM record WHERE list=? ORDER BY place"), {QLatin1String(list)});
        // A book from before has none: what a new shop has stays.
        bool first = true;
        std::vector<std::string> notes;
        while (found.next()) {
            if (std::exchange(first, false)) records.clear();
            const std::string text = found.value(0).toString().toStdString();
            if (text.empty()) continue;
            auto& record = records.emplace_back();
            FieldReader::read(record, parseJson(text),
                              std::string(list) + "[" + std::to_string(records.size() - 1) + "]", notes);
        }
    });
    settleOldFinishes(shop.finishes);
    checkShop(shop);
    return shop;
}

bool ShopBook::save(const Shop& shop, Changed changed)
{
    checkShop(shop);
    bool written = false;
    db_->together([&] {
        const qint64 saves = db_->saves();
        if (saves != seen_ && changed == Changed::Refuse) return;
        for (const char* table : {"setting", "defect", "board", "glue", "wood", "reading", "record"})
            db_->run(QStringLiteral("DELETE FROM %1").arg(QLatin1String(table)));
        auto set = [&](const std::string& key, const QVariant& value) {
            db_->run(QStringLiteral("INSERT INTO setting VALUES (?, ?)"), {q(key), value});
        };
        for (const FieldItem& f : itemsOf(shop)) set(f.path, toSql(f.value));
        eachMachineList(shop, [&](const std::string& list, const auto& machines) {
            for (size_t i = 0; i < machines.size(); ++i)
                for (const FieldItem& f : itemsOf(machines[i]))
                    set(list + "." + std::to_string(i) + "." + f.path, toSql(f.value));
        });
        for (size_t d = 0; d < shop.hours.size(); ++d)
            for (size_t k = 0; k < 2; ++k)
                set("hours_" + std::to_string(d) + (k ? "_end" : "_begin"), shop.hours[d][k]);
        auto insert = [&](const char* table, const QVariant& first, const std::vector<FieldItem>& columns,
                          const auto& record) {
            const QVariantList values = QVariantList{first} + row(record, columns);
            const QString marks = QStringLiteral("?") + QStringLiteral(", ?").repeated(values.size() - 1);
            const QString key = first.typeId() == QMetaType::Int ? QStringLiteral("place") : QStringLiteral("board");
            db_->run(QStringLiteral("INSERT INTO %1 (%2, %3) VALUES (%4)")
                         .arg(QLatin1String(table), key, names(columns), marks),
                     values);
        };
        int place = 0;
        for (const Board& b : shop.rack) {
            insert("board", place++, boardColumns(), b);
            for (const Defect& d : b.defects) insert("defect", q(b.id), defectColumns(), d);
        }
        place = 0;
        for (const Glue& g : shop.glues) insert("glue", place++, glueColumns(), g);
        place = 0;
        for (const OwnWood& w : shop.woods) insert("wood", place++, woodColumns(), w);
        place = 0;
        for (const Reading& r : shop.readings) insert("reading", place++, readingColumns(), r);
        eachRecordList(shop, [&](const char* list, const auto& records) {
            // A list that was emptied is known by a row without a record.
            if (records.empty()) db_->putRecord(list, 0, "");
            for (size_t i = 0; i < records.size(); ++i)
                db_->putRecord(list, static_cast<int>(i), FieldWriter::written(records[i]).dump());
        });
        set("saves", saves + 1);
        seen_ = saves + 1;
        written = true;
    });
    return written;
}

}  // namespace vl::io
