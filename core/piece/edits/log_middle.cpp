#include "core/piece/edits/log_middle.h"

#include "core/geometry/directions.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

constexpr double least = 1;  // mm of wood between the axis and the bark

}  // namespace

double logMiddleTowards(const BlockForm& log) { return std::remainder(log.offsetDirection + 180, 360); }

double logOffset(const BlockForm& log) { return std::clamp(log.offset, 0.0, log.log / 2 - least); }

double logHolds(const BlockForm& log) { return log.log - 2 * logOffset(log); }

void setLogMiddle(BlockForm& log, double off, double towards)
{
    log.offset = off;
    log.offset = logOffset(log);
    log.offsetDirection = std::remainder(towards + 180, 360);
}

std::vector<HalfSpace> logFaces(const BlockForm& log, int count, bool open)
{
    std::vector<HalfSpace> faces;
    for (int k = 0; k < count; ++k) {
        const double a = k * 360.0 / count;
        // The log's middle lies the other way from its axis.
        faces.push_back(
            {outwards(a), log.log / 2 - logOffset(log) * std::cos((a - log.offsetDirection) * degrees), open});
    }
    return faces;
}

const BlockForm* wholeLog(const Piece& piece)
{
    const BlockForm* block = piece.layers.size() == 1 ? piece.layers[0].as<BlockForm>() : nullptr;
    return block && block->shape == BlockForm::Log ? block : nullptr;
}

const BlockForm* logWithBark(const Piece& piece) { return piece.edge.kind == Edge::Bark ? wholeLog(piece) : nullptr; }

}  // namespace vl
