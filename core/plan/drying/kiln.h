#pragma once

#include "core/measure/text.h"
#include "core/piece/records/reading.h"
#include "core/piece/shop/kiln.h"
#include "core/piece/shop/shop.h"

#include <vector>

namespace vl {

/// How slowly a wood has to be dried.
enum class DriesAs { Slow, Medium, Quick };
/// By its density, which goes with it roughly: 680 kg/m³ and more slow, below 520 quick; what nobody knows slow. Our
/// own cautious division, after the Wood Handbook's kind of table.
DriesAs driesAs(const std::string& wood);

/// A step of a schedule: while the wettest of the load is between two moistures.
struct KilnStep {
    double above = 30, below = 200;  ///< %, of the wettest
    double celsius = 30;
    double fan = 50;  ///< %
    double days = 0;  ///< about, from the moistures
};

/// The hottest that a wood is dried at a moisture, °C: steps at 30, 25, 20 and 15 %, as lumber's tables have them, and
/// far gentler than they are, since a bowl dries from its end grain too. Our own values.
double hottestAt(DriesAs kind, double moisture);

/// How much of a bowl's distance to the kiln's own moisture goes in a day, 1/day: learned from the loads that came out,
/// by wood and wall (median; a wall twice as thick takes four times as long), else our own value by how it dries.
double kilnRate(const Shop& shop, const std::string& wood, double wall);

/// The day of a load that a time of the shop's clock (minutes since 1970-01-01 00:00) falls on; below 0 before it
/// began.
double dayOf(const KilnLoad& load, double clock);

/// What a bowl of a load has come to by a day since it began: its readings where there are any, else by its rate; %.
double moistureInKiln(const Shop& shop, const KilnLoad& load, const InKiln& bowl, double day);

struct KilnPlan {
    std::vector<KilnStep> steps;
    double days = 0;                   ///< until the slowest is at the target, about
    std::string slowest;               ///< of the load, by name
    std::string bestRun;               ///< the shop's own load that it is taken from; empty: the table
    std::vector<Text> cautions;        ///< where a wood would be pushed
    std::vector<std::string> learned;  ///< what to do otherwise, of the latest loads with these woods first
};
/// A schedule for a mixed load: as hot as the gentlest of its woods bears at the moisture of the wettest; or the shop's
/// own quickest load of these woods in which nothing cracked, its settings by its moistures.
KilnPlan planKiln(const Shop& shop, const KilnLoad& load);

/// A schedule as settings from the day on that each step is about to begin.
std::vector<KilnSetting> settingsOf(const KilnPlan& plan);

/// Where a load is set hotter than one of its woods bears: at which day, what, how hot and what is usual.
std::vector<Text> pushedIn(const Shop& shop, const KilnLoad& load);

/// A load in numbers, to compare.
struct LoadSum {
    std::string name;
    int bowls = 0, out = 0, cracked = 0;
    double days = 0;  ///< until the last came out; 0 while any is in
    double hottest = 0;
};
LoadSum sumOf(const KilnLoad& load);
/// Cracked in a hundred of what came out, by wood, of all loads: those that crack most first.
struct CrackedWood {
    std::string wood;
    int out = 0, cracked = 0;
};
std::vector<CrackedWood> crackedByWood(const std::vector<KilnLoad>& loads);

}  // namespace vl
