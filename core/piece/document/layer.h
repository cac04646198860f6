#pragma once

#include "core/piece/document/layer_forms.h"

namespace vl {

/// One layer of the stack: what every layer has, and the form of its own construction.
struct Layer {
    std::string id;                           ///< lasts: steps, parts, choices and progress name it
    double thickness = 18;                    ///< mm in the stack, both faces flattened
    std::vector<std::string> woods{"maple"};  ///< round the ring or across the slab, repeating; of a disc the first
    double outerAllowance = 2;                ///< mm on the radius
    double innerAllowance = 2;                ///< mm on the radius
    double sandingLoss = 0.4;                 ///< mm on each face
    std::optional<double> stockOuter;         ///< mm diameter, set by hand instead of from the outline
    std::optional<double> stockInner;
    std::optional<double> partedFrom;  ///< mm, glued on this thick and parted down; where the layer is thicker: nothing
    LayerForm form = RingForm{};
    std::string extra;

    template <class Form> bool is() const { return std::holds_alternative<Form>(form); }
    template <class Form> Form* as() { return std::get_if<Form>(&form); }
    template <class Form> const Form* as() const { return std::get_if<Form>(&form); }
    /// A ring's form, that of a ring with a disc let in too; null where the layer is none.
    RingForm* ring();
    const RingForm* ring() const;
    /// What goes round it in equal shares: of rings and staves; null where nothing does.
    Sectors* sectors();
    const Sectors* sectors() const;
    /// How many segments, staves or boards were asked for; null where the layer counts for itself.
    int* counted();
    const int* counted() const;
    /// How thick it is when it is glued on, before anything is parted off it, mm.
    double gluedThickness() const;
    /// Whether it is one piece of wood, or glued up as one, with its grain along the axis: it has two ends of its own.
    bool standsAlongAxis() const;

    bool operator==(const Layer&) const = default;
};

template <class V, As<Layer> F> void fields(V& v, F& f)
{
    v.text("id", f.id, 40, "Id", "lasts when layers are put in, taken out or moved");
    v.length("thickness_mm", f.thickness, limits::thickness, "Thickness", "in the stack, both faces flattened");
    v.woods("woods", f.woods, {1, limits::segments.high, ""}, "Woods", "round the ring or across the slab, repeating");
    v.length("outer_allowance_mm", f.outerAllowance, {0, 100}, "Allowance outside", "on the radius");
    v.length("inner_allowance_mm", f.innerAllowance, {0, 100}, "Allowance inside", "on the radius");
    v.length("sanding_loss_mm", f.sandingLoss, {0, 10}, "Sanding loss, each face");
    v.length("stock_outer_mm", f.stockOuter, {1, 2000}, "Stock outside Ø", "by hand, instead of from the outline");
    v.length("stock_inner_mm", f.stockInner, {0, 2000}, "Stock inside Ø", "by hand, instead of from the outline");
    v.length("parted_from_mm", f.partedFrom, limits::thickness, "Glue on thicker and part down from");
    v.alternatives("kind", "form", f.form, "Layer is a");
}

/// The kinds of layer there are, in the order of LayerForm, as files and screens name them.
std::span<const Choice> layerKinds();
/// The layer as another kind (its place in layerKinds()); what both have, they keep.
Layer asKind(Layer layer, size_t kind);

}  // namespace vl
