#pragma once

#include <string>
#include <vector>

namespace vl {

/// One kind of glue in the book. Times are minutes at 20 °C; every value is common practice, and the maker's label comes first.
struct Glue {
    std::string id, name;
    double openMinutes = 5;        ///< from spreading to closing
    double clampMinutes = 60;      ///< until it can leave the clamp
    double machineMinutes = 720;   ///< until it can be turned
    double cureMinutes = 1440;     ///< until it is as strong as it gets
    double leastCelsius = 10;      ///< colder, it does not set to full strength
    double mostCelsius = 35;
    double slowdown = 2;           ///< times slower for every 10 °C below 20
    double spread = 180;           ///< g/m² of joint, one face
    bool water = true;             ///< carries water into the wood
    bool fillsGaps = false;
    bool oily = false;             ///< holds on oily wood
    bool endGrain = false;         ///< holds end grain
    bool veneer = false;           ///< for sheets
    bool temporary = false;        ///< comes apart again
    std::string release;           ///< how
    std::string note;

    bool operator==(const Glue&) const = default;
};

/// Throws InputError naming the field, as `glues[2].open_min`, where the book is empty, has an id twice, or a value beyond its limit.
void checkGlues(const std::vector<Glue>& glues);

/// The book as it comes.
std::vector<Glue> commonGlues();

/// Times this many longer at a temperature: slowdown^((20 − T) / 10) below 20 °C, 1 above (common practice).
double coldFactor(const Glue& glue, double celsius);

}  // namespace vl
