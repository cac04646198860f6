#pragma once

#include "app/stages/stage.h"

class QLineEdit;
class QPushButton;

namespace vl::app {

class PageSwitch;
class Table;

/// Log: what was made, by number, with its hours; the years in numbers; and the moisture of what waits.
class LogStage : public Stage {
    Q_OBJECT
public:
    explicit LogStage(Document& document, QWidget* parent = nullptr);

signals:
    /// The log is to be written as a table of values, or read.
    void exportWanted();

private:
    void refresh() override;
    void refreshLog();
    void refreshYears();
    void refreshReadings();
    /// The chosen entry's place in the shop's log; −1: none.
    int chosen() const;
    template <class Change> void editShop(const QString& what, Change change)
    {
        Shop shop = doc_.shop();
        change(shop);
        doc_.changeShop(what, shop);
    }

    PageSwitch* pages_;
    Table *log_, *years_, *readings_;
    QLineEdit* search_;
    QPushButton *add_, *remove_, *read_;
    FieldForm *entry_, *reading_;
    QLabel *said_, *dries_;
    std::vector<int> shown_;  ///< places in the shop's log, by row
};

}  // namespace vl::app
