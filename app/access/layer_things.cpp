#include "app/access/layer_things.h"

#include "app/fields/field_form.h"
#include "app/theme/theme.h"

namespace vl::app {
QString layerInWords(const Document& document, int layer)
{
    const auto at = static_cast<size_t>(layer);
    const BuiltLayer& built = document.plan().assembly.layers[at];
    QStringList woods;
    for (const Species* wood : built.woods)
        if (const QString name = localized(wood->name); !woods.contains(name)) woods << name;
    QStringList words{Document::tr("layer %1").arg(layer + 1),
                      wordsOf(layerKinds()[document.piece().layers[at].form.index()])};
    if (built.segmented) words << Document::tr("%n segments", nullptr, built.count());
    words << woods.join(QStringLiteral(", "))
          << Document::tr("%1 high").arg(
                 QString::fromStdString(formatLengthUnit(built.z1 - built.z0, document.style())));
    return words.join(QStringLiteral(", "));
}

std::vector<ReadableItem> layerThings(const Document& document, const std::function<QRect(int layer)>& place)
{
    std::vector<ReadableItem> all;
    for (int k = 0; k < static_cast<int>(document.piece().layers.size()); ++k)
        all.push_back({layerInWords(document, k), place(k), document.selection().layers.contains(k)});
    return all;
}

std::vector<ReadableItem> segmentThings(const Document& document, const std::function<QRect(int segment)>& place)
{
    const BuiltLayer& built = document.plan().assembly.layers[static_cast<size_t>(document.selection().layer)];
    std::vector<ReadableItem> all;
    for (int k = 0; k < built.count(); ++k) {
        const Species& wood = *built.woods[static_cast<size_t>(k) % built.woods.size()];
        all.push_back({Document::tr("segment %1 of %2, %3").arg(k + 1).arg(built.count()).arg(localized(wood.name)),
                       place(k), document.selection().segment == k});
    }
    return all;
}

}  // namespace vl::app
