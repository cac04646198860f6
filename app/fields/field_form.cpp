#include "app/fields/field_form.h"

#include "app/fields/length_field.h"
#include "app/fields/lengths_field.h"
#include "app/fields/wood_picker.h"
#include "app/theme/theme.h"
#include "core/wood/filler.h"

#include <QCheckBox>
#include <QComboBox>
#include <QCoreApplication>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QSignalBlocker>
#include <QSpinBox>
#include <QVBoxLayout>

namespace vl::app {

QString wordsOf(const Field& field) { return localized(field.words); }
QString wordsOf(const Choice& choice) { return localized(choice.words); }

FieldForm::FieldForm(Document& document, QWidget* parent) : QWidget(parent), doc_(document)
{
    column_ = new QVBoxLayout(this);
    column_->setContentsMargins(0, 0, 0, 0);
}

void FieldForm::show(const std::vector<FieldItem>& items, std::function<double(const std::string&)> usual)
{
    usual_ = std::move(usual);
    std::vector<FieldItem> asked;
    std::vector<std::string> paths;
    for (const FieldItem& item : items)
        // An id is nobody's to type.
        if (item.field.applies && item.path != "id" && item.field.kind != Field::Kind::Woods) {
            asked.push_back(item);
            paths.push_back(item.path);
        }
    if (paths != paths_) rebuild(asked);
    paths_ = paths;
    for (size_t i = 0; i < asked.size(); ++i) {
        readers_[i](asked[i].value);
        if (const auto label = labels_.find(asked[i].path); label != labels_.end()) call(label->second, asked[i].field);
    }
    setVisible(!asked.empty());
}

void FieldForm::rebuild(const std::vector<FieldItem>& items)
{
    readers_.clear();
    labels_.clear();
    if (inner_) {
        // It goes when the signal that led here is through; until then it is not to be seen.
        inner_->hide();
        inner_->deleteLater();
    }
    inner_ = new QWidget;
    auto* inside = new QVBoxLayout(inner_);
    inside->setContentsMargins(0, 0, 0, 0);
    inside->setSpacing(4);
    column_->addWidget(inner_);
    for (const FieldItem& item : items) add(item);
}

void FieldForm::add(const FieldItem& item)
{
    switch (item.field.kind) {
    case Field::Kind::Number:
        return addNumber(item);
    case Field::Kind::Count:
        return addCount(item);
    case Field::Kind::Flag:
        return addFlag(item);
    case Field::Kind::Wood:
    case Field::Kind::Filling:
        return addWood(item);
    case Field::Kind::Lengths:
        return addLengths(item);
    case Field::Kind::Text:
        return addText(item);
    default:
        return addChoice(item);
    }
}

void FieldForm::call(QLabel* label, const Field& field)
{
    const QString words = wordsOf(field), help = *field.help ? localized(field.help) : QString();
    if (label->text() != words) label->setText(words);
    if (label->toolTip() != help) label->setToolTip(help);
    if (label->buddy()->accessibleName() != words) label->buddy()->setAccessibleName(words);
}

void FieldForm::row(const FieldItem& item, QWidget* field)
{
    auto* line = new QHBoxLayout;
    auto* label = new QLabel;
    label->setBuddy(field);
    label->setProperty("role", "quiet");
    call(label, item.field);
    labels_[item.path] = label;
    field->setFocusPolicy(Qt::StrongFocus);
    line->addWidget(label, 3);
    line->addWidget(field, 4);
    static_cast<QVBoxLayout*>(inner_->layout())->addLayout(line);
}

bool FieldForm::bad() const
{
    return std::ranges::any_of(findChildren<QLineEdit*>(),
                               [](const QLineEdit* line) { return line->property("bad").toBool(); });
}

void FieldForm::focus(const std::string& path)
{
    const auto label = labels_.find(path);
    if (label == labels_.end()) return;
    QWidget* field = label->second->buddy();
    field->setFocus();
    if (auto* line = qobject_cast<QLineEdit*>(field)) line->selectAll();
}

QWidget* FieldForm::numberField(const FieldItem& item, std::function<void(double)>& show)
{
    const Field& f = item.field;
    const QString words = wordsOf(f);
    if (std::string_view(f.limit.unit) == "mm") {
        auto* field = new LengthField(doc_, words, f.limit);
        connect(field, &LengthField::edited, this,
                [this, words, path = item.path](double mm) { emit edited(words, path, mm); });
        show = [field](double v) { field->setValue(v); };
        return field;
    }
    auto* field = new QDoubleSpinBox;
    field->setRange(f.limit.low, f.limit.high);
    field->setDecimals(2);
    field->setSuffix((std::string_view(f.limit.unit) == "°" ? "" : " ") + QString::fromUtf8(f.limit.unit));
    field->setKeyboardTracking(false);
    connect(field, &QDoubleSpinBox::valueChanged, this,
            [this, words, path = item.path](double v) { emit edited(words, path, v); });
    show = [field](double v) {
        const QSignalBlocker quiet(field);
        field->setValue(v);
    };
    return field;
}

void FieldForm::addNumber(const FieldItem& item)
{
    std::function<void(double)> show;
    if (!item.optional) {
        row(item, numberField(item, show));
        readers_.push_back([show](const FieldValue& v) { show(std::get<double>(v)); });
        return;
    }
    // Its name is the box that says whether it is set by hand.
    const QString words = wordsOf(item.field);
    auto* on = new QCheckBox(words);
    QWidget* field = numberField(item, show);
    field->setAccessibleName(words);
    field->setFocusPolicy(Qt::StrongFocus);
    // Beside one another where both find room in the panel, else one under the other.
    constexpr int beside = 190;  // pixels
    const bool stacked = on->fontMetrics().horizontalAdvance(words) > beside;
    auto* line = new QBoxLayout(stacked ? QBoxLayout::TopToBottom : QBoxLayout::LeftToRight);
    line->addWidget(on, 3);
    line->addWidget(field, 2, stacked ? Qt::AlignRight : Qt::Alignment());
    static_cast<QVBoxLayout*>(inner_->layout())->addLayout(line);
    connect(on, &QCheckBox::clicked, this, [this, words, path = item.path](bool checked) {
        emit edited(words, path, checked ? FieldValue(usual_ ? usual_(path) : 0.0) : FieldValue());
    });
    readers_.push_back([this, on, field, show, path = item.path](const FieldValue& v) {
        const double* value = std::get_if<double>(&v);
        on->setChecked(value != nullptr);
        field->setEnabled(value != nullptr);
        // Left to the program, it shows what it would begin with.
        show(value ? *value : usual_ ? usual_(path) : 0);
    });
}

void FieldForm::addCount(const FieldItem& item)
{
    auto* field = new QSpinBox;
    field->setRange(static_cast<int>(item.field.limit.low), static_cast<int>(item.field.limit.high));
    field->setKeyboardTracking(false);
    row(item, field);
    connect(field, &QSpinBox::valueChanged, this,
            [this, words = wordsOf(item.field), path = item.path](int v) { emit edited(words, path, v); });
    readers_.push_back([field](const FieldValue& v) {
        const QSignalBlocker quiet(field);
        field->setValue(std::get<int>(v));
    });
}

void FieldForm::addFlag(const FieldItem& item)
{
    const QString words = wordsOf(item.field);
    auto* field = new QCheckBox(words);
    inner_->layout()->addWidget(field);
    connect(field, &QCheckBox::clicked, this,
            [this, words, path = item.path](bool on) { emit edited(words, path, on); });
    readers_.push_back([field](const FieldValue& v) { field->setChecked(std::get<bool>(v)); });
}

void FieldForm::addChoice(const FieldItem& item)
{
    auto* field = new QComboBox;
    for (const Choice& c : item.choices) field->addItem(wordsOf(c));
    row(item, field);
    connect(field, &QComboBox::activated, this,
            [this, words = wordsOf(item.field), path = item.path](int k) { emit edited(words, path, k); });
    readers_.push_back([field](const FieldValue& v) { field->setCurrentIndex(std::get<int>(v)); });
}

void FieldForm::addText(const FieldItem& item)
{
    auto* field = new QLineEdit;
    row(item, field);
    connect(field, &QLineEdit::editingFinished, this, [this, field, words = wordsOf(item.field), path = item.path] {
        if (!field->isModified()) return;
        field->setModified(false);
        emit edited(words, path, field->text().toStdString());
    });
    readers_.push_back([field](const FieldValue& v) {
        // What is being typed is not typed over.
        if (field->hasFocus() && field->isModified()) return;
        field->setText(QString::fromStdString(std::get<std::string>(v)));
        field->setCursorPosition(0);  // a long one shows how it begins
        field->setToolTip(field->text());
    });
}

void FieldForm::addLengths(const FieldItem& item)
{
    auto* field = new LengthsField(doc_, wordsOf(item.field), item.field);
    row(item, field);
    connect(field, &LengthsField::edited, this,
            [this, words = wordsOf(item.field), path = item.path](const std::vector<double>& mm) {
                emit edited(words, path, mm);
            });
    readers_.push_back([field](const FieldValue& v) { field->setValues(std::get<std::vector<double>>(v)); });
}

void FieldForm::addWood(const FieldItem& item)
{
    auto* field = new QPushButton;
    const bool filling = item.field.kind == Field::Kind::Filling;
    row(item, field);
    connect(field, &QPushButton::clicked, this, [this, field, filling, words = wordsOf(item.field), path = item.path] {
        const auto chosen = [this, words, path](const std::string& id) { emit edited(words, path, id); };
        filling ? chooseFilling(doc_, field, chosen) : chooseWood(doc_, field, chosen);
    });
    readers_.push_back([field](const FieldValue& v) {
        const Species& s = fillingOf(std::get<std::string>(v));
        field->setText(localized(s.name));
        field->setIcon(QIcon(woodSwatch(s, {18, 18})));
    });
}

}  // namespace vl::app
