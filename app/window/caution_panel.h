#pragma once

#include "app/document/document.h"
#include "core/plan/caution_kinds.h"

#include <QFrame>

class QLabel;
class QScrollArea;
class QVBoxLayout;

namespace vl::app {

/// Every caution with what fails, what will happen, and fixes that apply themselves. Opens over the window.
class CautionPanel : public QFrame {
    Q_OBJECT
public:
    CautionPanel(Document& document, QWidget* parent);
    /// Opens with the caution of this id first in view; empty: the list from its top.
    void openAt(const QString& id);

protected:
    void keyPressEvent(QKeyEvent* event) override;

private:
    QString inWords(const Text& text) const;
    QWidget* entry(const Caution& caution);
    QWidget* together(const CautionKind& kind);
    QLabel* said(Level level, const QString& where, QWidget* parent) const;
    void rebuild();
    void place();

    Document& doc_;
    QVBoxLayout* list_ = nullptr;
    QScrollArea* scroll_ = nullptr;
};

}  // namespace vl::app
