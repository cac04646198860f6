#pragma once

#include "app/fields/field_form.h"
#include "core/piece/edits/edit.h"

class QComboBox;
class QLabel;
class QPushButton;

namespace vl::app {

class LengthField;

/// Edits one of the piece's lists of records: which of them, what can be added, and the chosen one's fields. Every
/// change goes through the document.
class RecordList : public QWidget {
    Q_OBJECT
public:
    /// A list as this sees it: how many, what each is called, its fields, and a field set.
    struct List {
        std::function<int(const Piece&)> count;
        std::function<std::string(const Piece&, int)> name;
        std::function<std::vector<FieldItem>(const Piece&, int)> items;
        std::function<void(Piece&, int, const std::string& path, const FieldValue&)> set;
        std::function<Piece(Piece, int)> remove;
    };
    RecordList(Document& document, const QString& what, const QString& none, List list, QWidget* parent = nullptr);

    /// A button that adds one of them; `key` is its name for tests and styles.
    void canAdd(const QString& words, const char* key, std::function<Piece(Piece)> add);
    /// A length of the chosen one that is no field of its own.
    void addLength(const QString& words, const Limit& limit, std::function<double(const Piece&, int)> get,
                   std::function<void(Piece&, int, double)> set);
    /// What is said below its fields; an empty text is not shown.
    void saysBelow(std::function<QString(int)> words) { says_ = std::move(words); }
    int chosen() const { return chosen_; }
    void choose(int which);
    /// Brings it up to date with the document.
    void refresh();

private:
    /// Changes the chosen one, where the wanted piece still has it.
    void setChosen(const QString& words, const std::function<void(Piece&)>& edit);

    Document& doc_;
    QString what_, none_;
    List list_;
    int chosen_ = -1;
    QComboBox* which_;
    QPushButton* remove_;
    QVBoxLayout* buttons_;
    QWidget* lengths_;
    FieldForm* form_;
    QLabel* said_;
    std::function<QString(int)> says_;
    std::vector<std::function<void()>> readers_;
};

/// The list that a member of the piece is; `name` gives what one of it is called.
template <class T, class Name> RecordList::List listOf(std::vector<T> Piece::*member, Name name)
{
    const auto at = [](int i) { return static_cast<size_t>(i); };
    return {.count = [member](const Piece& p) { return static_cast<int>((p.*member).size()); },
            .name = [member, name, at](const Piece& p, int i) { return name(p, (p.*member)[at(i)]); },
            .items = [member, at](const Piece& p, int i) { return itemsOf((p.*member)[at(i)]); },
            .set = [member, at](Piece& p, int i, const std::string& path,
                                const FieldValue& value) { setField((p.*member)[at(i)], path, value); },
            .remove = [member](Piece p, int i) { return edit::removeFrom(std::move(p), member, i); }};
}

}  // namespace vl::app
