#include "app/fields/layer_settings.h"

#include "app/fields/figure_row.h"
#include "app/theme/theme.h"

#include <QVBoxLayout>

namespace vl::app {

LayerSettings::LayerSettings(Document& document, QWidget* parent) : QWidget(parent), doc_(document)
{
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(2);
}

void LayerSettings::refresh()
{
    auto settings = [this]() -> const std::vector<Setting>& {
        return doc_.plan().assembly.layers[static_cast<size_t>(doc_.selection().layer)].settings;
    };
    QStringList names;
    for (const Setting& s : settings())
        names << (s.machine == Resource::None ? QString()
                                              : localized(resourceName(s.machine).data()) + QStringLiteral(": ")) +
                     localized(s.name.c_str());
    if (names == names_ && layer_ == doc_.selection().layer) return;
    names_ = names;
    layer_ = doc_.selection().layer;
    while (QLayoutItem* item = layout()->takeAt(0)) {
        item->widget()->deleteLater();
        delete item;
    }
    // Read by its place: the plan is another one after every change.
    for (int k = 0; k < names.size(); ++k)
        layout()->addWidget(new FigureRow(doc_, names[k], [k, settings](LengthStyle style) -> Working {
            const auto& now = settings();
            return static_cast<size_t>(k) < now.size() ? workingOf(now[static_cast<size_t>(k)], style) : Working{};
        }));
    setVisible(!names.isEmpty());
}

}  // namespace vl::app
