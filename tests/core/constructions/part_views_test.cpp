// A stave's three views against the formulas of the regular pyramid that its settings come from.
#include "core/blank/part_views.h"
#include "core/plan/plan.h"
#include "tests/support/property.h"
#include "tests/support/samples.h"

using namespace vl;

namespace {

double setting(const BuiltLayer& layer, const std::string& name)
{
    const auto it = std::ranges::find(layer.settings, name, &Setting::name);
    return it == layer.settings.end() ? NAN : it->value;
}

}  // namespace

TEST(PartViews, OfStavesAreWhatTheSawIsSetTo)
{
    test::property([] {
        Piece piece = test::demo("lamp-stand");
        StavesForm& form = *piece.layers[2].as<StavesForm>();
        form.segments = test::inRange(5, 25);
        piece.choices.staves = test::element(StaveMethod::TaperJig, StaveMethod::MiterGauge);
        const Plan plan = makePlan(piece, Shop{});
        const BuiltLayer& layer = plan.assembly.layers[2];
        const PartViews views = partViews(layer, 0, piece.layers[2].sandingLoss);
        RC_ASSERT(std::abs(views.length - setting(layer, "stave length")) < 1e-6);
        RC_ASSERT(std::abs(views.upper - setting(layer, "width at the top")) < 1e-6);
        RC_ASSERT(std::abs(views.lower - setting(layer, "width at the bottom")) < 1e-6);
        RC_ASSERT(std::abs(views.thickness - setting(layer, "stave thickness")) < 1e-6);
        // The edges lean by the blade's tilt: seen along the stave the inner face is narrower on both sides.
        RC_ASSERT(!views.face.empty());
        RC_ASSERT(!views.edge.empty());
        RC_ASSERT(!views.end.empty());
    });
}
