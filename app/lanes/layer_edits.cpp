#include "app/lanes/layer_edits.h"

#include "core/piece/edits/edit.h"

#include <QMenu>

namespace vl::app {

void fillLayerMenu(QMenu& menu, Document& document, int layer, double share)
{
    auto action = [&](const QString& what, const QKeySequence& keys, auto&& edit) {
        QAction* a = menu.addAction(what, &document, [&document, what, edit] { document.apply(what, edit); });
        a->setShortcut(keys);
        a->setShortcutContext(Qt::WidgetShortcut);  // the drawing's own keys do it; here they are only shown
    };
    const std::set<int> chosen = document.selection().layers;
    action(Document::tr("Add a ring after it"), Qt::Key_Insert,
           [layer](const Piece& p) { return edit::addLayer(p, layer); });
    action(Document::tr("Copy it"), {}, [layer](const Piece& p) { return edit::copyLayer(p, layer); });
    action(Document::tr("Split it here"), {},
           [layer, share](const Piece& p) { return edit::splitLayer(p, layer, share); });
    action(chosen.size() > 1 ? Document::tr("Remove %1 layers").arg(chosen.size()) : Document::tr("Remove it"),
           Qt::Key_Delete, [chosen](const Piece& p) { return edit::removeLayers(p, chosen); });
    menu.addSeparator();
    action(Document::tr("Half a segment on, like brickwork"), {},
           [chosen](const Piece& p) { return edit::brickwork(p, chosen); });
    action(Document::tr("Fit all layers to the outline's height"), {},
           [](const Piece& p) { return edit::fitLayers(p); });
}

}  // namespace vl::app
