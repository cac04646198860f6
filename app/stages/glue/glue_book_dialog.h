#pragma once

#include "app/document/document.h"

#include <QDialog>

class QLabel;
class QTableWidget;

namespace vl::app {

/// The glue book as a table: one glue a line, every value to be put right from the maker's label, lines added and taken
/// away.
class GlueBookDialog : public QDialog {
    Q_OBJECT
public:
    GlueBookDialog(Document& document, QWidget* parent);

private:
    void fill();
    void take(int row, int column);

    Document& doc_;
    QTableWidget* table_ = nullptr;
    QLabel* said_ = nullptr;
};

}  // namespace vl::app
