#include "app/fields/wood_picker.h"

#include "app/fields/wood_dialog.h"
#include "app/theme/theme.h"
#include "core/piece/edits/wood_use.h"
#include "core/wood/figure.h"
#include "core/wood/filler.h"

#include <QCoreApplication>
#include <QGridLayout>
#include <QMenu>

#include <map>

namespace vl::app {

QPixmap woodSwatch(const Species& species, QSize size)
{
    static std::map<std::pair<const Species*, int>, QPixmap> made;
    QPixmap& map = made[{&species, size.width() * 10000 + size.height()}];
    if (map.isNull()) {
        QImage image(size, QImage::Format_RGB32);
        for (int y = 0; y < size.height(); ++y)
            for (int x = 0; x < size.width(); ++x) {
                const auto c =
                    woodColor(species.figure, static_cast<float>(x) * 0.7f, static_cast<float>(y) * 0.7f, 3, 0.37f, 0);
                image.setPixel(x, y, QColor::fromRgbF(c[0], c[1], c[2]).rgb());
            }
        map = QPixmap::fromImage(image);
    }
    return map;
}

namespace {

void addWood(Document& document, QWidget* near, const std::function<void(const std::string&)>& chosen)
{
    WoodDialog dialog(document, OwnWood{}, near);
    if (dialog.exec() != QDialog::Accepted) return;
    document.changeShop(QCoreApplication::translate("Wood", "new wood"), [&](Shop& shop) {
        if (std::ranges::find(shop.woods, dialog.wood()) == shop.woods.end()) shop.woods.push_back(dialog.wood());
    });
    chosen(makeKnown(dialog.wood()).id);
}

void changeWood(Document& document, QWidget* near, const OwnWood& before)
{
    WoodDialog dialog(document, before, near);
    if (dialog.exec() != QDialog::Accepted || dialog.wood() == before) return;
    const std::string from = makeKnown(before).id, to = makeKnown(dialog.wood()).id;
    document.changeBoth(QCoreApplication::translate("Wood", "changed wood"), [&](State& s) {
        s.shop = withWood(s.shop, from, to);
        s.piece = withWood(s.piece, from, to);
        const auto it = std::ranges::find(s.shop.woods, before);
        it == s.shop.woods.end() ? s.shop.woods.push_back(dialog.wood()) : void(*it = dialog.wood());
    });
}

void choose(Document& document, QWidget* near, bool fillings, const std::function<void(const std::string&)>& chosen)
{
    QMenu menu(near);
    auto offer = [&](const Species& s) {
        menu.addAction(QIcon(woodSwatch(s, {22, 16})), localized(s.name), [chosen, id = s.id] { chosen(id); });
    };
    if (fillings) {
        for (const Species& s : allFillers()) offer(s);
        menu.addSeparator();
    }
    for (const Species& s : allSpecies()) offer(s);
    // The shop's own, and those that the piece brought along.
    std::vector<OwnWood> own = document.shop().woods;
    for (const std::string& id : woodsOf(document.piece()))
        if (const OwnWood* w = ownWood(id); w && std::ranges::find(own, *w) == own.end()) own.push_back(*w);
    menu.addSeparator();
    for (const OwnWood& w : own) offer(makeKnown(w));
    menu.addAction(QCoreApplication::translate("Wood", "Add a wood of your own …"),
                   [&] { addWood(document, near, chosen); });
    if (!own.empty()) {
        QMenu* change = menu.addMenu(QCoreApplication::translate("Wood", "Change"));
        for (const OwnWood& w : own)
            change->addAction(QString::fromStdString(w.name), [&document, near, w] { changeWood(document, near, w); });
    }
    menu.exec(near->mapToGlobal(QPoint(0, near->height())));
}

}  // namespace

void chooseWood(Document& document, QWidget* near, const std::function<void(const std::string&)>& chosen)
{
    choose(document, near, false, chosen);
}

void chooseFilling(Document& document, QWidget* near, const std::function<void(const std::string&)>& chosen)
{
    choose(document, near, true, chosen);
}

PatternEdit::PatternEdit(Document& document, QWidget* parent)
    : QWidget(parent), doc_(document), grid_(new QGridLayout(this))
{
    setAccessibleName(tr("Woods round the ring"));
    grid_->setContentsMargins(0, 0, 0, 0);
    grid_->setSpacing(4);
}

void PatternEdit::setWoods(const std::vector<std::string>& woods, int most)
{
    if (woods == woods_ && grid_->count()) return;
    woods_ = woods;
    while (QLayoutItem* item = grid_->takeAt(0)) {
        if (item->widget()) {
            // The button pressed may be the one that goes.
            item->widget()->hide();
            item->widget()->deleteLater();
        }
        delete item;
    }
    constexpr int columns = 9;
    const int shown = std::min<int>(static_cast<int>(woods_.size()), columns * 2 - 1);
    for (int i = 0; i < shown; ++i) {
        auto* swatch = new QToolButton(this);
        const Species& s = speciesOf(woods_[static_cast<size_t>(i)]);
        swatch->setIcon(QIcon(woodSwatch(s, {20, 20})));
        swatch->setIconSize({20, 20});
        swatch->setObjectName(QStringLiteral("pattern-%1").arg(i));
        swatch->setAccessibleName(tr("wood %1 of %2: %3").arg(i + 1).arg(woods_.size()).arg(localized(s.name)));
        swatch->setToolTip(swatch->accessibleName() + tr("; press to change, right button to take away"));
        swatch->setStyleSheet("padding: 1px;");
        connect(swatch, &QToolButton::clicked, this, [this, i, swatch] {
            chooseWood(doc_, swatch, [this, i](const std::string& wood) {
                std::vector<std::string> next = woods_;
                next[static_cast<size_t>(i)] = wood;
                emit edited(next);
            });
        });
        swatch->setContextMenuPolicy(Qt::CustomContextMenu);
        connect(swatch, &QWidget::customContextMenuRequested, this, [this, i] {
            if (woods_.size() < 2) return;
            std::vector<std::string> next = woods_;
            next.erase(next.begin() + i);
            emit edited(next);
        });
        grid_->addWidget(swatch, i / columns, i % columns);
    }
    auto* more = new QToolButton(this);
    more->setIcon(icon("plus", theme().accent));
    more->setObjectName("pattern-add");
    more->setAccessibleName(tr("Add a wood to the pattern"));
    more->setToolTip(more->accessibleName());
    more->setStyleSheet("padding: 2px;");
    more->setEnabled(static_cast<int>(woods_.size()) < most);
    connect(more, &QToolButton::clicked, this, [this, more] {
        chooseWood(doc_, more, [this](const std::string& wood) {
            std::vector<std::string> next = woods_;
            next.push_back(wood);
            emit edited(next);
        });
    });
    grid_->addWidget(more, shown / columns, shown % columns);
    grid_->setColumnStretch(columns, 1);
}

}  // namespace vl::app
