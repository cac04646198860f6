#pragma once

#include "app/document/document.h"
#include "app/fields/table.h"

#include <QLabel>
#include <QWidget>

namespace vl::app {

/// What no board on the rack gives: the strips that are missing, and the wood to buy for them.
class ShoppingView : public QWidget {
    Q_OBJECT
public:
    explicit ShoppingView(Document& document, QWidget* parent = nullptr);
    /// Whether anything is missing.
    bool wanted() const { return !doc_.boards().shortfall.empty(); }

private:
    void refresh();

    Document& doc_;
    QLabel *said_, *sum_;
    Table* table_;
};

}  // namespace vl::app
