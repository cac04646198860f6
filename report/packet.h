#pragma once

#include "report/sheet.h"

#include "core/measure/length.h"
#include "core/plan/boards/board_plan.h"
#include "core/plan/plan.h"

#include <set>
#include <vector>

namespace vl::report {

/// The packet's parts, in their order.
enum class PacketPart { Cover, Layers, Strips, Boards, Order, Mounts, Stations, Axes, Cuts, ShopPaper, Template };

struct PacketPartName {
    PacketPart part;
    const char* words;  ///< for whoever chooses among them
};
const std::vector<PacketPartName>& packetParts();

/// What of the packet is printed, and on what.
struct PacketChoice {
    Paper paper = Paper::A4;
    std::set<PacketPart> parts;

    /// All of it.
    PacketChoice(Paper on = Paper::A4);
};

/// Writes the packet: picture and figures, a sheet for every ring, the strip list, boards and set-ups, the glue-up
/// order and timetable, mounts, stations, centers and index wheels, curves to saw and holes, angles and scribing
/// circles and the template at full size. Needs a QGuiApplication. Throws InputError where the device cannot be written
/// to.
void printPacket(const Piece& piece, const Shop& shop, const Plan& plan, const BoardPlan& boards, LengthStyle style,
                 const PacketChoice& choice, QPagedPaintDevice& device);

/// The same as a PDF.
void writePacket(const Piece& piece, const Shop& shop, const Plan& plan, const BoardPlan& boards, LengthStyle style,
                 const PacketChoice& choice, QIODevice& file);

}  // namespace vl::report
