#pragma once

#include "app/stages/stage.h"

class QPushButton;

namespace vl::app {

class Table;

/// Finish: the surface, its grits and its coats, with what each takes of time and of finish; and the book of finishes,
/// edited where it is read.
class FinishStage : public Stage {
    Q_OBJECT
public:
    explicit FinishStage(Document& document, QWidget* parent = nullptr);

private:
    void buildChoice();
    void buildSanding();
    void buildBook();
    void refresh() override;
    QString thirstWords() const;
    QString suitsWords(const Finish& finish) const;
    void refreshLayers();
    void refreshBook();
    /// The finish's place in the shop's book; −1: one coat, as the shop has it.
    int chosen() const;
    /// The chosen layer's place in the finish; −1: none.
    int layer() const;
    template <class Change> void editBook(const QString& what, Change change)
    {
        doc_.changeShop(what, [&](Shop& shop) { change(shop.finishes); });
    }
    template <class Change> void editLayers(const QString& what, Change change)
    {
        if (const int at = chosen(); at >= 0)
            editBook(what, [&](std::vector<Finish>& book) { change(book[static_cast<size_t>(at)].layers); });
    }

    QComboBox* which_;
    Table* layers_;
    QLabel *area_, *grits_;
    FieldForm *grit_, *finish_, *layer_;
    QPushButton *removeFinish_, *addLayer_, *removeLayer_;
};

}  // namespace vl::app
