#include "core/piece/document/layer.h"

#include <algorithm>

namespace vl {
namespace {

/// The part of a form that is a `Part`; null where it has none.
template <class Part, class Form> auto partOf(Form& form)
{
    return std::visit(
        [](auto& f) -> std::conditional_t<std::is_const_v<Form>, const Part*, Part*> {
            if constexpr (std::derived_from<std::remove_cvref_t<decltype(f)>, Part>)
                return &f;
            else
                return nullptr;
        },
        form);
}

template <size_t... I> constexpr auto kindsOf(std::index_sequence<I...>)
{
    return std::array{std::variant_alternative_t<I, LayerForm>::kind...};
}
constexpr std::array kinds = kindsOf(std::make_index_sequence<std::variant_size_v<LayerForm>>{});

template <size_t... I> LayerForm freshForm(size_t kind, std::index_sequence<I...>)
{
    LayerForm form;
    ((I == kind ? void(form.emplace<I>()) : void()), ...);
    return form;
}

/// What two forms have alike goes over: the outermost shared base, and the count.
void carry(const Layer& from, Layer& to)
{
    if (const RingForm* a = from.ring(); a && to.ring())
        *to.ring() = *a;
    else if (const Sectors* b = from.sectors(); b && to.sectors())
        *to.sectors() = *b;
    else if (from.counted() && to.counted())
        *to.counted() = *from.counted();
    const SlabForm* slab = from.as<SlabForm>();
    if (const BoardRingForm* r = from.as<BoardRingForm>()) slab = &r->board;
    if (!slab) return;
    if (SlabForm* s = to.as<SlabForm>()) *s = *slab;
    if (BoardRingForm* r = to.as<BoardRingForm>()) r->board = *slab;
}

}  // namespace

RingForm* Layer::ring() { return partOf<RingForm>(form); }
const RingForm* Layer::ring() const { return partOf<RingForm>(form); }
Sectors* Layer::sectors() { return partOf<Sectors>(form); }
const Sectors* Layer::sectors() const { return partOf<Sectors>(form); }

const int* Layer::counted() const
{
    if (const Sectors* s = sectors()) return &s->segments;
    const BilletForm* b = as<BilletForm>();
    return b ? &b->boards : nullptr;
}
int* Layer::counted() { return const_cast<int*>(std::as_const(*this).counted()); }

bool Layer::standsAlongAxis() const
{
    const BlockForm* block = as<BlockForm>();
    return is<BilletForm>() || is<WrapForm>() || is<SpindleForm>() || (block && block->alongAxis());
}

double Layer::gluedThickness() const { return std::max(thickness, partedFrom.value_or(0)); }

std::span<const Choice> layerKinds() { return kinds; }

Layer asKind(Layer layer, size_t kind)
{
    if (kind == layer.form.index() || kind >= kinds.size()) return layer;
    const Layer before = layer;
    layer.form = freshForm(kind, std::make_index_sequence<std::variant_size_v<LayerForm>>{});
    carry(before, layer);
    if (layer.is<DiscForm>()) layer.woods.resize(1);
    return layer;
}

}  // namespace vl
