#include "core/piece/edits/log_middle.h"

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

}  // namespace vl
