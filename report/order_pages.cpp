#include "report/order_pages.h"
#include "report/type.h"

#include <QDate>
#include <QRegularExpression>
#include <QSet>
#include <QTime>

#include <cmath>
#include <map>

namespace vl::report {
namespace {

QString span(double minutes)
{
    return minutes < 120 ? QStringLiteral("%1 min").arg(std::lround(minutes))
                         : QStringLiteral("%1 h").arg(minutes / 60, 0, 'f', std::fmod(minutes, 60) == 0 ? 0 : 1);
}

class OrderPages {
public:
    OrderPages(Sheet& sheet, const Plan& plan, LengthStyle style) : s_(sheet), plan_(plan), style_(style)
    {
        for (size_t i = 0; i < recipe().size(); ++i) place_[recipe()[i].id] = i;
        for (const size_t i : plan_.schedule.order)
            if (recipe()[i].action == Action::Wait) waits_[rootOf(i)].push_back(i);
    }

    void write()
    {
        s_.part(heading, 60);
        const QString lead = QStringLiteral(
            "In an order in which every step finds what it needs. While one thing waits, the next is worked on; the "
            "clock is a plan, the box is what counts. How and why are said the first time; after that only the "
            "numbers.");
        const double h = s_.textHeight(s_.inner(), lead, 8.5);
        s_.text({Sheet::margin, s_.y(), s_.inner(), h + 1}, lead, 8.5, Qt::AlignLeft | Qt::TextWordWrap, QFont::Normal,
                QColor(60, 60, 60));
        s_.moveTo(s_.y() + h + 2);
        long day = -1;
        int number = 0;
        for (const size_t i : plan_.schedule.order) {
            const Step& step = recipe()[i];
            if (step.action == Action::Wait && rootOf(i) != i) continue;
            const DayTime at = dayTimeOf(plan_.schedule.begins + beginOf(i));
            if (at.day != day) {
                if (day >= 0) otherwise();
                session(at, day < 0 ? 1 : ++days_);
                day = at.day;
            }
            row(i, ++number, at);
        }
        otherwise();
    }

private:
    static constexpr const char* heading = "Order of the work";
    const Recipe& recipe() const { return plan_.assembly.recipe; }
    double beginOf(size_t i) const
    {
        const auto& work = plan_.schedule.work[i];
        return work.empty() ? plan_.schedule.start[i] : work.front().from;
    }

    /// The step whose waits these are: what a wait comes after, and that again where it is a wait too.
    size_t rootOf(size_t i) const
    {
        while (recipe()[i].action == Action::Wait && !recipe()[i].after.empty()) {
            const auto it = place_.find(recipe()[i].after[0]);
            if (it == place_.end()) break;
            i = it->second;
        }
        return i;
    }

    void session(const DayTime& at, int number)
    {
        s_.need(22, QString::fromLatin1(heading));
        s_.moveTo(s_.y() + 2.5);
        const QDate date = QDate::fromJulianDay(2440588 + at.day);  // 1970-01-01
        // Without a date to begin at the days are only counted.
        const QString when = plan_.schedule.begins == aMonday
                                 ? QStringLiteral("Day %1, %2").arg(number).arg(QLocale::c().dayName(date.dayOfWeek()))
                                 : QLocale::c().toString(date, QStringLiteral("dddd d MMMM yyyy"));
        s_.text({Sheet::margin, s_.y(), s_.inner(), 5.5}, when, 10, Qt::AlignLeft | Qt::AlignVCenter, QFont::DemiBold);
        s_.rule(Sheet::margin, s_.y() + 5.8, s_.width() - Sheet::margin, s_.y() + 5.8, 0.25, Qt::black);
        s_.moveTo(s_.y() + 6.6);
    }

    /// A line to write on.
    void otherwise()
    {
        s_.need(8, QString::fromLatin1(heading));
        s_.text({Sheet::margin, s_.y() + 1.5, 40, 5}, QStringLiteral("what went otherwise:"), 7.5,
                Qt::AlignLeft | Qt::AlignVCenter, QFont::Normal, QColor(90, 90, 90));
        s_.rule(Sheet::margin + 30, s_.y() + 6, s_.width() - Sheet::margin, s_.y() + 6);
        s_.moveTo(s_.y() + 8);
    }

    /// Words with their numbers left out: what says the same of another ring has the same.
    static QString shape(const QString& words)
    {
        static const QRegularExpression number(QStringLiteral("[0-9]+([.,/][0-9]+)?"));
        return QString(words).replace(number, QStringLiteral("#"));
    }

    /// How and why the first time, then only what is set.
    QString detail(const Step& step)
    {
        const QString how = q(print(step.how, style_)), why = q(print(step.why, style_));
        QString words;
        const QString kind = shape(how);
        if (!how.isEmpty() && !said_.contains(kind))
            words = how;
        else if (kind != how || shape(why) != why || step.rotationDeg != 0) {
            QStringList set;
            // Which glue, how much of it, and how long it is open, is said every time.
            if (step.action == Action::Glue) set << how.section(QStringLiteral("; "), 0, 0);
            for (const Setting& one : step.settings)
                if (const QString value = q(print(Quantity{one.value, one.unit, one.decimals}, style_));
                    set.isEmpty() || !set[0].contains(value))
                    set << q(one.name) + QStringLiteral(" ") + value;
            words = set.join(QStringLiteral(", "));
        }
        said_ << kind;
        if (const QString reason = shape(why); !why.isEmpty() && !said_.contains(reason)) {
            words += (words.isEmpty() ? QString() : QStringLiteral(". ")) + QStringLiteral("Why: ") + why;
            said_ << reason;
        } else if (step.rotationDeg != 0 && !why.isEmpty())
            words += (words.isEmpty() ? QString() : QStringLiteral(". ")) + why;
        return words;
    }

    QString waitsOf(size_t i) const
    {
        QStringList all;
        if (recipe()[i].waitMinutes > 0 && recipe()[i].action != Action::Wait)
            all << QStringLiteral("leave it %1").arg(span(recipe()[i].waitMinutes));
        if (const auto it = waits_.find(i); it != waits_.end())
            for (const size_t w : it->second) {
                const Step& wait = recipe()[w];
                if (w == i || wait.waitMinutes <= 0) continue;
                const DayTime until = dayTimeOf(plan_.schedule.begins + plan_.schedule.end[w]);
                all << (wait.cure
                            ? QStringLiteral("no tool on it for %1").arg(span(wait.waitMinutes))
                            : QStringLiteral("held for %1, until %2")
                                  .arg(span(wait.waitMinutes),
                                       QTime(until.minute / 60, until.minute % 60).toString(QStringLiteral("HH:mm"))));
            }
        return all.isEmpty() ? QString()
                             : QStringLiteral("Then ") + all.join(QStringLiteral("; ")) + QStringLiteral(".");
    }

    void row(size_t i, int number, const DayTime& at)
    {
        const Step& step = recipe()[i];
        const double left = Sheet::margin + 21, wide = s_.width() - Sheet::margin - left - 15;
        const QString title = q(print(step.title, style_)), words = detail(step), waits = waitsOf(i);
        const QString all = words + (words.isEmpty() || waits.isEmpty() ? QString() : QStringLiteral(". ")) + waits;
        const double head = s_.textHeight(wide, title, 8.5, QFont::DemiBold),
                     body = all.isEmpty() ? 0 : s_.textHeight(wide, all, 7.5);
        s_.need(head + body + 1.4, QString::fromLatin1(heading));
        const double y = s_.y();
        s_.box(Sheet::margin, y + 0.5, 3, 3);
        if (plan_.schedule.done[i]) s_.rule(Sheet::margin, y + 0.5, Sheet::margin + 3, y + 3.5, 0.4, Qt::black);
        s_.text({Sheet::margin + 4, y, 6, 4}, QString::number(number), 7, Qt::AlignRight | Qt::AlignVCenter,
                QFont::Normal, QColor(90, 90, 90));
        s_.text({Sheet::margin + 11, y, 9, 4}, QTime(at.minute / 60, at.minute % 60).toString(QStringLiteral("HH:mm")),
                7.5, Qt::AlignLeft | Qt::AlignVCenter);
        s_.text({left, y, wide, head + 0.5}, title, 8.5, Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap,
                QFont::DemiBold);
        if (body > 0) s_.text({left, y + head, wide, body + 0.5}, all, 7.5);
        if (step.workMinutes > 0)
            s_.text({s_.width() - Sheet::margin - 14, y, 14, 4}, span(step.workMinutes), 7.5,
                    Qt::AlignRight | Qt::AlignVCenter);
        s_.moveTo(y + std::max(4.0, head + body) + 1.1);
    }

    Sheet& s_;
    const Plan& plan_;
    LengthStyle style_;
    std::map<std::string, size_t> place_;
    std::map<size_t, std::vector<size_t>> waits_;
    QSet<QString> said_;
    int days_ = 1;
};

}  // namespace

void drawOrder(Sheet& sheet, const Plan& plan, LengthStyle style) { OrderPages(sheet, plan, style).write(); }

}  // namespace vl::report
