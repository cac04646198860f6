#pragma once

#include "app/document/document.h"

#include <QDialog>

class QFormLayout;
class QLabel;

namespace vl::app {

/// The piece's name and notes.
class PieceDialog : public QDialog {
    Q_OBJECT
public:
    PieceDialog(Document& document, QWidget* parent);
};

/// What the workshop has, and where its cautions begin. Every field takes effect at once.
class ShopDialog : public QDialog {
    Q_OBJECT
public:
    /// `lent` says whose shop it is, where it is not the turner's own.
    ShopDialog(Document& document, const QString& lent, QWidget* parent);

private:
    void addHours();
    /// A row for a number of the shop or of its lathe, as it is declared.
    void add(double Shop::*member);
    void add(double Lathe::*member);
    template <class Of> void add(const Field& declared, Of of);

    Document& doc_;
    QFormLayout* form_ = nullptr;
    QLabel* refused_ = nullptr;
};

}  // namespace vl::app
