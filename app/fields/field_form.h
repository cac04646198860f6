#pragma once

#include "app/document/document.h"
#include "core/piece/records/field_items.h"

#include <QWidget>

#include <functional>
#include <map>

class QLabel;
class QVBoxLayout;

namespace vl::app {

/// What screens call a declared field, in the language of the screen.
QString wordsOf(const Field& field);
QString wordsOf(const Choice& choice);

/// A form made from the declarations of a record's fields: a row for each that applies, with the widget its kind asks
/// for. It is told the record's fields as they are, and hands on what is typed.
class FieldForm : public QWidget {
    Q_OBJECT
public:
    FieldForm(Document& document, QWidget* parent = nullptr);

    /// Brings the form up to date. `usual` gives the value that an optional number begins with.
    void show(const std::vector<FieldItem>& items, std::function<double(const std::string& path)> usual = {});

    /// Whether a field holds what cannot be read; its record still has the value before.
    bool bad() const;
    /// Puts the keyboard into a row's field, its value marked.
    void focus(const std::string& path);

signals:
    void edited(const QString& words, const std::string& path, const vl::FieldValue& value);

private:
    void rebuild(const std::vector<FieldItem>& items);
    void add(const FieldItem& item);
    void addNumber(const FieldItem& item);
    void addCount(const FieldItem& item);
    void addFlag(const FieldItem& item);
    void addChoice(const FieldItem& item);
    void addWood(const FieldItem& item);
    void addLengths(const FieldItem& item);
    void addText(const FieldItem& item);
    /// A field for the number itself, and what shows a value in it.
    QWidget* numberField(const FieldItem& item, std::function<void(double)>& show);
    void row(const FieldItem& item, QWidget* field);
    /// What a field is called may follow from another's choice.
    static void call(QLabel* label, const Field& field);

    Document& doc_;
    QVBoxLayout* column_ = nullptr;
    QWidget* inner_ = nullptr;
    std::vector<std::string> paths_;                               ///< of the rows there are
    std::vector<std::function<void(const FieldValue&)>> readers_;  ///< each brings one row up to date
    std::map<std::string, QLabel*> labels_;                        ///< by path
    std::function<double(const std::string&)> usual_;
};

}  // namespace vl::app
