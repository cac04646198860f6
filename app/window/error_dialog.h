#pragma once

#include "app/document/document.h"
#include "core/plan/learning/error_run.h"

#include <QDialog>
#include <QFutureWatcher>

class QLabel;
class QPushButton;

namespace vl::app {

class FieldForm;
class Table;

/// The error budget: how exactly the shop works, what that does to each layer, and the allowance that is really needed.
/// It is worked out beside; only the latest request counts.
class ErrorDialog : public QDialog {
    Q_OBJECT
public:
    ErrorDialog(Document& document, QWidget* parent);
    ~ErrorDialog() override;

private:
    Learned learned() const;
    void refresh();
    void begin();
    void tell(const ErrorBudget& budget);

    Document& doc_;
    FieldForm* form_;
    QLabel *lead_, *said_;
    Table* layers_;
    QLabel* learned_;
    QPushButton *learn_, *take_;
    QFutureWatcher<ErrorBudget> watcher_;
    std::shared_ptr<std::atomic<bool>> cancel_;
    bool again_ = false;
    ErrorBudget budget_;
};

}  // namespace vl::app
