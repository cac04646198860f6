#pragma once

#include "app/document/document.h"
#include "app/fields/field_form.h"
#include "app/fields/figure_row.h"
#include "app/fields/group.h"
#include "app/fields/length_field.h"
#include "app/lanes/section_lane.h"

#include <QComboBox>
#include <QFormLayout>
#include <QLabel>
#include <QScrollArea>
#include <QSignalBlocker>
#include <QSlider>
#include <QVBoxLayout>

namespace vl::app {

/// One stage of the work: its lanes at the left, and at the right what is chosen, with its measures.
class Stage : public QWidget {
    Q_OBJECT
public:
    Stage(Document& document, const QString& name, QWidget* parent = nullptr);

    const QString& name() const { return name_; }
    QWidget* panel() { return panel_; }
    /// Makes its drawing larger about its middle; 0: the whole of it.
    virtual void zoom(double factor)
    {
        factor > 0 ? axis_.zoom(factor, {axis_.place().section / 2, axis_.place().axis}) : axis_.fit();
    }
    /// Puts the keyboard where this stage's work begins.
    virtual void enter() {}

signals:
    void cautionClicked(const QString& id);
    void measureWanted(const vl::Measured& what);

protected:
    void showEvent(QShowEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    /// How many columns hang below its drawing, and which of them is chosen (−1: none).
    virtual int columnCount() const { return 0; }
    virtual int chosenColumn() const { return -1; }
    /// Brings the fields up to date with the document. Called when it changed, or with the next showing where the stage
    /// is hidden.
    virtual void refresh() = 0;
    /// Adds a lane below those that are there.
    void addLane(QWidget* lane, int stretch);
    /// The section, as the first of them: its columns hang below it where it has any.
    SectionLane* addSection(SectionLane::Handles handles, Columns* columns, int stretch);
    /// Adds to the panel: rows go into the group that was begun last.
    QLabel* heading(const QString& words);
    Group* group(const QString& words, const char* key, bool open = true);
    /// Ends the group: what follows stands by itself.
    void endGroup() { column_ = whole_; }
    FigureRow* figure(FigureId id, const QString& name, bool ofLayer);
    /// Two figures of the whole piece beside one another.
    void figurePair(FigureId left, const QString& leftName, FigureId right, const QString& rightName);
    LengthField* lengthRow(const QString& name, const Limit& limit);
    /// A row for a length of the piece, or of the shop: words, limit and the name for undo come from its declaration,
    /// and it is brought up to date by refreshRows(). `part` gives the record that holds it: [](auto& piece) -> auto& {
    /// return piece.hollow; }.
    template <class T, class Part> LengthField* pieceRow(double T::*member, Part part)
    {
        const Field declared = fieldOf(member);
        LengthField* field = lengthRow(wordsOf(declared), declared.limit);
        connect(field, &LengthField::edited, this, [this, member, part, words = wordsOf(declared)](double mm) {
            edit(words, [&](Piece& p) { part(p).*member = mm; });
        });
        rows_.push_back([this, field, member, part] { field->setValue(part(doc_.piece()).*member); });
        return field;
    }
    /// A slider beneath a length of the piece, `steps` from one end of its limit to the other; a drag is one step of
    /// the history.
    template <class T, class Part> QSlider* pieceSlider(double T::*member, Part part, int steps)
    {
        const Field declared = fieldOf(member);
        auto* slider = new QSlider(Qt::Horizontal);
        slider->setRange(0, steps);
        row({}, slider);
        slider->setAccessibleName(wordsOf(declared) + tr(", slider"));
        connect(slider, &QSlider::sliderPressed, this, [this] { sliding_ = Document::newMergeKey(); });
        connect(slider, &QSlider::sliderReleased, this, [this] { sliding_ = 0; });
        connect(slider, &QSlider::valueChanged, this, [this, member, part, steps, declared](int step) {
            edit(
                wordsOf(declared), [&](Piece& p) { part(p).*member = declared.limit.share(step, steps); }, sliding_);
        });
        rows_.push_back([this, slider, member, part, steps, declared] {
            const QSignalBlocker quiet(slider);
            slider->setValue(declared.limit.step(part(doc_.piece()).*member, steps));
        });
        return slider;
    }
    /// The same for a choice.
    template <class T, Choosable E, class Part> QComboBox* choiceRow(E T::*member, Part part)
    {
        const Field declared = fieldOf(member);
        const auto choices = choicesOf<E>();
        return choiceRow(
            wordsOf(declared), {choices.begin(), choices.end()},
            [this, member, part] { return static_cast<int>(part(doc_.piece()).*member); },
            [this, member, part, words = wordsOf(declared)](int k) {
                edit(words, [&](Piece& p) { part(p).*member = static_cast<E>(k); });
            });
    }
    LengthField* shopRow(double Shop::*member);
    LengthField* shopRow(double Lathe::*member);
    /// A form for a record of the piece that `of` gives.
    template <class Of> FieldForm* recordForm(Of of)
    {
        auto* form = new FieldForm(doc_);
        addToPanel(form);
        connect(form, &FieldForm::edited, this,
                [this, of](const QString& words, const std::string& path, const FieldValue& value) {
                    edit(words, [&](Piece& p) { setField(of(p), path, value); });
                });
        rows_.push_back([this, form, of] { form->show(itemsOf(of(doc_.piece()))); });
        return form;
    }
    /// Brings the rows made above up to date.
    void refreshRows();
    void row(const QString& name, QWidget* field);
    /// A field beside its name, for a layout of its own.
    QHBoxLayout* named(const QString& name, QWidget* field);
    QComboBox* choiceRow(const QString& name, const std::vector<Choice>& choices, std::function<int()> get,
                         std::function<void(int)> set);
    void addToPanel(QWidget* widget);
    void addToPanel(QLayout* layout);
    void endPanel();

    /// Changes the piece through `change`, which gets the one that is wanted.
    template <class Change> bool edit(const QString& what, Change change, int merge = 0)
    {
        return doc_.apply(what, change, merge);
    }

    Document& doc_;
    AxisMap axis_;
    Columns columns_;

    void settleColumns();

private:
    void documentChanged();
    template <class Of> LengthField* shopRow(const Field& declared, Of of);

    std::vector<std::function<void()>> rows_;

    bool stale_ = false;
    int sliding_ = 0;  ///< merge key of the slider that is held
    QString name_;
    QVBoxLayout* lanes_ = nullptr;
    QScrollArea* panel_ = nullptr;
    QVBoxLayout* whole_ = nullptr;
    QVBoxLayout* column_ = nullptr;  // the group's, or the whole panel's
};

}  // namespace vl::app
