#pragma once

#include "app/document/document.h"

#include <QToolButton>
#include <QWidget>

#include <functional>

class QGridLayout;

namespace vl::app {

/// A swatch of the wood, with its figure.
QPixmap woodSwatch(const Species& species, QSize size);

/// Opens a menu of all woods, each with its swatch, the turner's own after the others; calls back with the chosen one's
/// id. There a wood can be added to the shop, or one of its own changed, in the shop and in the piece.
void chooseWood(Document& document, QWidget* near, const std::function<void(const std::string&)>& chosen);

/// The same with the fillers before the woods: for what is let in.
void chooseFilling(Document& document, QWidget* near, const std::function<void(const std::string&)>& chosen);

/// The woods round a ring as a row of swatches: press one to change it, + adds one, the menu of a swatch takes it away.
class PatternEdit : public QWidget {
    Q_OBJECT
public:
    explicit PatternEdit(Document& document, QWidget* parent = nullptr);
    void setWoods(const std::vector<std::string>& woods, int most);

signals:
    void edited(const std::vector<std::string>& woods);

private:
    Document& doc_;
    std::vector<std::string> woods_;
    QGridLayout* grid_ = nullptr;
};

}  // namespace vl::app
