#pragma once

#include "app/document.h"
#include "app/views/figure_row.h"
#include "app/views/length_field.h"
#include "app/views/section_lane.h"

#include <QFormLayout>
#include <QLabel>
#include <QScrollArea>
#include <QVBoxLayout>

namespace vl::app {

/// One stage of the work: its lanes at the left, and at the right what is chosen, with its measures.
class Stage : public QWidget {
    Q_OBJECT
public:
    Stage(Document& document, const QString& name, QWidget* parent = nullptr);

    const QString& name() const { return name_; }
    QWidget* panel() { return panel_; }
    /// Puts the keyboard where this stage's work begins.
    virtual void enter() {}

signals:
    void cautionClicked(const QString& id);

protected:
    /// The wheel scrolls the panel; a field takes it only when it has the keyboard.
    bool eventFilter(QObject* watched, QEvent* event) override;
    void showEvent(QShowEvent* event) override;
    /// Brings the fields up to date with the document. Called when it changed, or with the next showing where the stage is hidden.
    virtual void refresh() = 0;
    /// Adds a lane below those that are there.
    void addLane(QWidget* lane, int stretch);
    /// Adds to the panel.
    QLabel* heading(const QString& words);
    FigureRow* figure(FigureId id, const QString& name, bool ofLayer);
    /// Two figures of the whole piece beside one another.
    void figurePair(FigureId left, const QString& leftName, FigureId right, const QString& rightName);
    LengthField* lengthRow(const QString& name, const Limit& limit);
    void row(const QString& name, QWidget* field);
    void addToPanel(QWidget* widget);
    void addToPanel(QLayout* layout);
    void endPanel();

    /// Changes the piece through `change`, which gets a copy.
    template <class Change> bool edit(const QString& what, Change change, int merge = 0)
    {
        Piece next = doc_.piece();
        change(next);
        return doc_.apply(what, std::move(next), merge);
    }

    Document& doc_;
    AxisMap axis_;

private:
    void documentChanged();

    bool stale_ = false;
    QString name_;
    QVBoxLayout* lanes_ = nullptr;
    QScrollArea* panel_ = nullptr;
    QVBoxLayout* column_ = nullptr;
};

}  // namespace vl::app
