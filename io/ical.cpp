#include "io/ical.h"

#include <libical/ical.h>

#include <chrono>
#include <cmath>
#include <memory>

namespace vl::io {
namespace {

struct Release {
    void operator()(icalcomponent* c) const { icalcomponent_free(c); }
};
using Component = std::unique_ptr<icalcomponent, Release>;

/// Minutes of the shop's own clock as a floating local time.
icaltimetype timeOf(double minutes)
{
    const DayTime at = dayTimeOf(minutes);
    const std::chrono::year_month_day date{std::chrono::sys_days{std::chrono::days{at.day}}};
    icaltimetype t = icaltime_null_time();
    t.year = static_cast<int>(date.year());
    t.month = static_cast<int>(static_cast<unsigned>(date.month()));
    t.day = static_cast<int>(static_cast<unsigned>(date.day()));
    t.hour = at.minute / 60;
    t.minute = at.minute % 60;
    return t;
}

/// Control characters have no place in a calendar.
std::string plain(const std::string& text)
{
    std::string out;
    for (const char c : text)
        if (static_cast<unsigned char>(c) >= 0x20 || c == '\n') out += c;
    return out;
}

std::string description(const Step& step)
{
    std::string words = step.how.empty() ? "" : "How: " + print(step.how) + "\n";
    words += "Why: " + print(step.why);
    if (step.waitMinutes > 0) words += "\nThen wait " + std::to_string(std::lround(step.waitMinutes)) + " min.";
    return words;
}

icalcomponent* event(const Piece& piece, const Plan& plan, size_t i, size_t part)
{
    const Schedule& s = plan.schedule;
    const Step& step = plan.assembly.recipe[i];
    const std::string uid = piece.id + "-" + step.id + "-" + std::to_string(part + 1) + "@vivid-lathe.invalid";
    const std::string title = print(step.title) + (part ? " (goes on)" : "");
    icaltimetype stamp = timeOf(s.begins);
    stamp.zone = icaltimezone_get_utc_timezone();
    icalcomponent* e = icalcomponent_new(ICAL_VEVENT_COMPONENT);
    icalcomponent_add_property(e, icalproperty_new_uid(uid.c_str()));
    icalcomponent_add_property(e, icalproperty_new_dtstamp(stamp));
    icalcomponent_add_property(e, icalproperty_new_dtstart(timeOf(s.begins + s.work[i][part].from)));
    icalcomponent_add_property(e, icalproperty_new_dtend(timeOf(s.begins + s.work[i][part].to)));
    icalcomponent_add_property(e, icalproperty_new_summary(plain(title).c_str()));
    icalcomponent_add_property(e, icalproperty_new_description(plain(description(step)).c_str()));
    std::string uses;
    for (const Resource r : step.uses) uses += (uses.empty() ? "" : ",") + std::string(resourceName(r));
    if (!uses.empty()) icalcomponent_add_property(e, icalproperty_new_resources(uses.c_str()));
    return e;
}

}  // namespace

std::string writeCalendar(const Piece& piece, const Plan& plan)
{
    const Component calendar(icalcomponent_new(ICAL_VCALENDAR_COMPONENT));
    icalcomponent_add_property(calendar.get(), icalproperty_new_version("2.0"));
    icalcomponent_add_property(calendar.get(), icalproperty_new_prodid("-//Vivid Lathe//Timetable//EN"));
    icalcomponent_add_property(calendar.get(), icalproperty_new_calscale("GREGORIAN"));
    icalproperty* name = icalproperty_new_x(plain(piece.name).c_str());
    icalproperty_set_x_name(name, "X-WR-CALNAME");
    icalcomponent_add_property(calendar.get(), name);
    const Schedule& s = plan.schedule;
    for (const size_t i : s.order) {
        if (s.done[i] || plan.assembly.recipe[i].workMinutes <= 0) continue;
        for (size_t part = 0; part < s.work[i].size(); ++part)
            icalcomponent_add_component(calendar.get(), event(piece, plan, i, part));
    }
    char* text = icalcomponent_as_ical_string_r(calendar.get());
    std::string out = text ? text : "";
    icalmemory_free_buffer(text);
    return out;
}

}  // namespace vl::io
