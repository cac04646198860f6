#include "io/ical.h"

#include <chrono>
#include <algorithm>
#include <cmath>
#include <cstdio>

namespace vl::io {
namespace {

std::string escaped(const std::string& text)
{
    std::string out;
    for (const char c : text) {
        if (c == '\n') {
            out += "\\n";
            continue;
        }
        if (c == '\\' || c == ';' || c == ',') out += '\\';
        if (static_cast<unsigned char>(c) >= 0x20) out += c;
    }
    return out;
}

/// A content line, folded between characters, not within one.
std::string line(const std::string& words)
{
    std::string out;
    size_t room = 75, at = 0;
    while (at < words.size()) {
        size_t n = std::min(room, words.size() - at);
        while (n > 1 && at + n < words.size() && (static_cast<unsigned char>(words[at + n]) & 0xc0) == 0x80) --n;
        out += (at ? "\r\n " : "") + words.substr(at, n);
        at += n;
        room = 74;
    }
    return out + "\r\n";
}

}  // namespace

std::string calendarTime(double minutes)
{
    const DayTime at = dayTimeOf(minutes);
    const std::chrono::year_month_day date{std::chrono::sys_days{std::chrono::days{at.day}}};
    char out[32];
    std::snprintf(out, sizeof out, "%04d%02u%02uT%02d%02d00", static_cast<int>(date.year()), static_cast<unsigned>(date.month()), static_cast<unsigned>(date.day()),
                  at.minute / 60, at.minute % 60);
    return out;
}

std::string writeCalendar(const Piece& piece, const Plan& plan)
{
    const Schedule& s = plan.schedule;
    std::string out = line("BEGIN:VCALENDAR") + line("VERSION:2.0") + line("PRODID:-//Vivid Lathe//Timetable//EN") + line("CALSCALE:GREGORIAN") + line("X-WR-CALNAME:" + escaped(piece.name));
    for (const size_t i : s.order) {
        const Step& step = plan.assembly.recipe[i];
        if (s.done[i] || step.workMinutes <= 0) continue;
        for (size_t k = 0; k < s.work[i].size(); ++k) {
            out += line("BEGIN:VEVENT") + line("UID:" + escaped(step.id) + "-" + std::to_string(k + 1) + "@vivid-lathe.invalid") + line("DTSTAMP:" + calendarTime(s.begins) + "Z") +
                   line("DTSTART:" + calendarTime(s.begins + s.work[i][k].from)) + line("DTEND:" + calendarTime(s.begins + s.work[i][k].to)) +
                   line("SUMMARY:" + escaped(step.title + (k ? " (goes on)" : "")));
            std::string words = step.how.empty() ? "" : "How: " + step.how + "\n";
            words += "Why: " + step.why;
            if (step.waitMinutes > 0) words += "\nThen wait " + std::to_string(std::lround(step.waitMinutes)) + " min.";
            out += line("DESCRIPTION:" + escaped(words));
            if (!step.uses.empty()) {
                std::string uses;
                for (const std::string& u : step.uses) uses += (uses.empty() ? "" : ",") + escaped(u);
                out += line("RESOURCES:" + uses);
            }
            out += line("END:VEVENT");
        }
    }
    return out + line("END:VCALENDAR");
}

}  // namespace vl::io
