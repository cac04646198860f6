#pragma once

#include "app/document/document.h"

#include <QWidget>

class QComboBox;
class QLabel;
class QPushButton;

namespace vl::app {

class FieldForm;
class MoistureChart;
class Table;

/// The kiln's loads: what is in one and where, what it was set to by day, how it dries and will; the schedule that is
/// planned for it, and all loads side by side. The forms for what is chosen stand apart, in the stage's panel.
class KilnView : public QWidget {
    Q_OBJECT
public:
    explicit KilnView(Document& document, QWidget* parent = nullptr);
    /// The forms, for the panel.
    QWidget* forms() { return forms_; }

private:
    void buildForms();
    void refresh();
    void refreshForms();
    void refreshTables();
    void refreshPlan();
    /// The chosen load's place; −1: none.
    int load() const;
    template <class Change> void editLoad(const QString& what, Change change)
    {
        if (const int at = load(); at >= 0)
            doc_.changeShop(what, [&](Shop& shop) { change(shop.kiln.at(static_cast<size_t>(at))); });
    }

    Document& doc_;
    QComboBox* which_;
    Table *bowls_, *settings_, *loads_;
    MoistureChart* chart_;
    QLabel *planned_, *learned_;
    QWidget* forms_;
    FieldForm *load_, *bowl_, *setting_;
    QPushButton *addLoad_, *removeLoad_, *addBowl_, *removeBowl_, *addSetting_, *removeSetting_, *asPlanned_;
};

}  // namespace vl::app
