#include "app/fields/record_list.h"

#include "app/fields/length_field.h"
#include "app/theme/theme.h"

#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QSignalBlocker>
#include <QVBoxLayout>

namespace vl::app {

RecordList::RecordList(Document& document, const QString& what, const QString& none, List list, QWidget* parent)
    : QWidget(parent), doc_(document), what_(what), none_(none), list_(std::move(list))
{
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(4);
    auto* row = new QHBoxLayout;
    which_ = new QComboBox;
    which_->setAccessibleName(what);
    remove_ = new QPushButton(tr("Remove"));
    remove_->setAccessibleName(tr("Remove: %1").arg(what));
    row->addWidget(which_, 1);
    row->addWidget(remove_);
    column->addLayout(row);
    buttons_ = new QVBoxLayout;
    buttons_->setSpacing(4);
    column->addLayout(buttons_);
    lengths_ = new QWidget;
    auto* lengths = new QVBoxLayout(lengths_);
    lengths->setContentsMargins(0, 0, 0, 0);
    lengths->setSpacing(4);
    column->addWidget(lengths_);
    form_ = new FieldForm(doc_);
    column->addWidget(form_);
    said_ = new QLabel;
    said_->setWordWrap(true);
    said_->setProperty("role", "quiet");
    column->addWidget(said_);
    connect(which_, &QComboBox::activated, this, &RecordList::choose);
    connect(remove_, &QPushButton::clicked, this, [this] {
        doc_.apply(tr("remove: %1").arg(what_), [this](Piece p) { return list_.remove(std::move(p), chosen_); });
    });
    connect(form_, &FieldForm::edited, this,
            [this](const QString& words, const std::string& path, const FieldValue& value) {
                setChosen(words, [&](Piece& p) { list_.set(p, chosen_, path, value); });
            });
}

void RecordList::canAdd(const QString& words, const char* key, std::function<Piece(Piece)> add)
{
    auto* button = new QPushButton(words);
    button->setObjectName(key);
    buttons_->addWidget(button);
    connect(button, &QPushButton::clicked, this, [this, words, add = std::move(add)] {
        if (doc_.apply(words, add)) doc_.whenShown(this, [this] { choose(list_.count(doc_.piece()) - 1); });
    });
}

void RecordList::addLength(const QString& words, const Limit& limit, std::function<double(const Piece&, int)> get,
                           std::function<void(Piece&, int, double)> set)
{
    auto* field = new LengthField(doc_, words, limit);
    field->setAccessibleName(words);
    auto* line = new QHBoxLayout;
    auto* label = new QLabel(words);
    label->setBuddy(field);
    label->setProperty("role", "quiet");
    line->addWidget(label, 3);
    line->addWidget(field, 4);
    static_cast<QVBoxLayout*>(lengths_->layout())->addLayout(line);
    connect(field, &LengthField::edited, this, [this, words, set = std::move(set)](double mm) {
        setChosen(words, [&](Piece& p) { set(p, chosen_, mm); });
    });
    readers_.push_back([this, field, get = std::move(get)] { field->setValue(get(doc_.piece(), chosen_)); });
}

void RecordList::setChosen(const QString& words, const std::function<void(Piece&)>& edit)
{
    doc_.apply(words, [&](Piece& p) {
        if (chosen_ < list_.count(p)) edit(p);
    });
}

void RecordList::choose(int which)
{
    chosen_ = which;
    refresh();
}

void RecordList::refresh()
{
    const int count = list_.count(doc_.piece());
    chosen_ = std::clamp(chosen_, count > 0 ? 0 : -1, count - 1);
    const QSignalBlocker quiet(which_);
    which_->clear();
    for (int i = 0; i < count; ++i) which_->addItem(QString::fromStdString(list_.name(doc_.piece(), i)));
    if (count == 0) which_->addItem(none_);
    which_->setCurrentIndex(std::max(0, chosen_));
    remove_->setEnabled(chosen_ >= 0);
    lengths_->setVisible(chosen_ >= 0 && !readers_.empty());
    form_->setVisible(chosen_ >= 0);
    said_->setVisible(false);
    if (chosen_ < 0) return;
    for (const auto& read : readers_) read();
    form_->show(list_.items(doc_.piece(), chosen_));
    const QString said = says_ ? says_(chosen_) : QString();
    said_->setText(said);
    said_->setVisible(!said.isEmpty());
}

}  // namespace vl::app
