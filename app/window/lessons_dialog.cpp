#include "app/window/lessons_dialog.h"

#include "app/fields/field_form.h"
#include "app/fields/table.h"
#include "app/theme/theme.h"
#include "core/plan/lessons.h"
#include "core/wood/species.h"

#include <QComboBox>
#include <QDialogButtonBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>

namespace vl::app {

QString wordsOf(const Lesson& lesson)
{
    const Species* wood = lesson.about == Lesson::Wood ? findSpecies(lesson.of) : nullptr;
    return wordsOf(choicesOf<Lesson::About>()[static_cast<size_t>(lesson.about)]) + QStringLiteral(": ") +
           (wood ? localized(wood->name) : QString::fromStdString(lesson.of));
}

LessonsDialog::LessonsDialog(Document& document, QWidget* parent)
    : QDialog(parent), doc_(document), about_(new QLabel), subject_(new QComboBox), note_(new QLineEdit),
      add_(new QPushButton(tr("Put it down"))), remove_(new QPushButton(tr("Take it out"))),
      table_(new Table({tr("About"), tr("Learned")}))
{
    setWindowTitle(tr("Learned at the bench"));
    resize(760, 460);
    about_->setWordWrap(true);
    subject_->setObjectName("lesson-about");
    subject_->setAccessibleName(tr("What it is about"));
    note_->setObjectName("lesson-note");
    note_->setPlaceholderText(tr("sand the edges first"));
    note_->setAccessibleName(tr("What was learned"));
    note_->setMaxLength(1000);
    add_->setObjectName("add-lesson");
    remove_->setObjectName("remove-lesson");
    table_->setObjectName("lessons");
    table_->setAccessibleName(tr("What was learned"));
    auto* row = new QHBoxLayout;
    row->addWidget(subject_);
    row->addWidget(note_, 1);
    row->addWidget(add_);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Close);
    buttons->addButton(remove_, QDialogButtonBox::ActionRole);
    auto* column = new QVBoxLayout(this);
    column->addWidget(about_);
    column->addLayout(row);
    column->addWidget(table_, 1);
    column->addWidget(buttons);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(add_, &QPushButton::clicked, this, &LessonsDialog::add);
    connect(note_, &QLineEdit::returnPressed, this, &LessonsDialog::add);
    connect(remove_, &QPushButton::clicked, this, [this] {
        doc_.changeShop(tr("lesson taken out"), [at = table_->currentRow()](Shop& shop) {
            if (at >= 0 && at < static_cast<int>(shop.lessons.size())) shop.lessons.erase(shop.lessons.begin() + at);
        });
    });
    connect(&doc_, &Document::changed, this, &LessonsDialog::refresh);
    refresh();
}

const Step* LessonsDialog::step() const
{
    const Recipe& recipe = doc_.plan().assembly.recipe;
    const auto chosen = std::ranges::find(recipe, doc_.selection().step, &Step::id);
    if (chosen != recipe.end()) return &*chosen;
    for (const size_t i : doc_.plan().schedule.order)
        if (std::ranges::find(doc_.piece().progress.done, recipe[i].id, &StepDone::step) ==
            doc_.piece().progress.done.end())
            return &recipe[i];
    return nullptr;
}

void LessonsDialog::add()
{
    const QString note = note_->text().trimmed();
    const int at = subject_->currentIndex();
    if (note.isEmpty() || at < 0 || at >= static_cast<int>(subjects_.size())) return;
    const auto put = [&](Shop& shop) {
        if (shop.lessons.size() >= mostLessons) shop.lessons.erase(shop.lessons.begin());
        Lesson lesson = subjects_[static_cast<size_t>(at)];
        lesson.note = note.toStdString();
        lesson.at = doc_.now();
        shop.lessons.push_back(std::move(lesson));
    };
    if (doc_.changeShop(tr("lesson"), put)) note_->clear();
}

void LessonsDialog::refresh()
{
    const Step* now = step();
    about_->setText(now ? tr("Now at: %1").arg(QString::fromStdString(print(now->title, doc_.style())))
                        : tr("Every step is done."));
    subjects_ = now ? subjectsOf(*now, doc_.piece(), doc_.plan().assembly.layers) : std::vector<Lesson>{};
    const int at = std::max(0, subject_->currentIndex());
    subject_->clear();
    for (const Lesson& l : subjects_) subject_->addItem(wordsOf(l));
    subject_->setCurrentIndex(std::min(at, subject_->count() - 1));
    add_->setEnabled(now);
    QList<QStringList> rows;
    for (const Lesson& l : doc_.shop().lessons) rows << QStringList{wordsOf(l), QString::fromStdString(l.note)};
    const int row = table_->currentRow();
    table_->setRows(rows);
    if (!rows.isEmpty()) table_->setCurrentCell(std::clamp(row, 0, static_cast<int>(rows.size()) - 1), 0);
    remove_->setEnabled(!rows.isEmpty());
}

}  // namespace vl::app
