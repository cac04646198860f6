#pragma once

#include "app/stages/stage.h"
#include "core/plan/learning/log_entry.h"

class QCheckBox;
class QLineEdit;
class QPushButton;

namespace vl::app {

class KilnView;
class MoistureChart;
class PageSwitch;
class Table;

/// Log: what was made, by number, with its hours; the years in numbers; and the moisture of what waits.
class LogStage : public Stage {
    Q_OBJECT
public:
    explicit LogStage(Document& document, QWidget* parent = nullptr);

signals:
    /// A label of an entry is to be printed; a photograph chosen for it.
    void labelWanted(int entry);
    void photoWanted(int entry);
    /// The log is to be written as a table of values, or read.
    void exportWanted();

private:
    /// Day, month and year of a time of the shop's clock, minutes since 1970-01-01 00:00.
    static QString date(double minutes);
    void buildPages();
    void buildEntries();
    void buildEstimates();
    void buildMoisture();
    void refresh() override;
    void refreshPhotos();
    void refreshEstimates();
    void refreshFilters();
    void refreshCompared();
    LogFilter filter() const;
    void refreshLog();
    void refreshYears();
    void refreshReadings();
    void refreshRough();
    void refreshMovement();
    /// The chosen entry's place in the shop's log; −1: none.
    int chosen() const;
    template <class Change> void editShop(const QString& what, Change change) { doc_.changeShop(what, change); }

    PageSwitch* pages_;
    Table *log_, *compared_, *movement_, *years_, *work_, *readings_;
    MoistureChart* chart_;
    KilnView* kiln_;
    QWidget* photos_;
    QLineEdit* search_;
    QComboBox *year_, *made_;
    QCheckBox* wrong_;
    QPushButton *add_, *remove_, *read_, *label_, *photo_, *learn_, *usual_;
    FieldForm *entry_, *reading_;
    QLabel *said_, *dries_, *rough_, *estimates_;
    std::vector<int> shown_;  ///< places in the shop's log, by row
};

}  // namespace vl::app
