#include "app/stages/log/moisture_chart.h"

#include "app/theme/theme.h"

#include <QGraphicsLayout>
#include <QtCharts/QChart>
#include <QtCharts/QLegend>
#include <QtCharts/QLegendMarker>
#include <QtCharts/QLineSeries>
#include <QtCharts/QScatterSeries>
#include <QtCharts/QValueAxis>

#include <algorithm>
#include <cmath>

namespace vl::app {
namespace {

/// Inks that are told apart by their lightness too.
QColor ink(size_t k)
{
    const bool dark = theme().dark;
    const std::array all{theme().accent, QColor(dark ? 0xe0b070 : 0x8a5a1c), QColor(dark ? 0x9fd0a0 : 0x2f6b3c),
                         QColor(dark ? 0xd09ad0 : 0x7a3f86)};
    return all[k % all.size()];
}

QValueAxis* axis(const QString& title, const char* format)
{
    auto* a = new QValueAxis;
    a->setTitleText(title);
    a->setLabelFormat(QString::fromLatin1(format));
    a->setLabelsFont(textFont(9));
    a->setTitleFont(textFont(9));
    a->setLabelsBrush(theme().text);
    a->setTitleBrush(theme().quiet);
    a->setGridLineColor(theme().edge);
    a->setLinePenColor(theme().quiet);
    return a;
}

}  // namespace

MoistureChart::MoistureChart(QWidget* parent) : QChartView(parent)
{
    setRenderHint(QPainter::Antialiasing);
    setFrameShape(QFrame::NoFrame);
    setMinimumHeight(180);
    auto* c = new QChart;
    c->setMargins({4, 4, 4, 4});
    c->layout()->setContentsMargins(0, 0, 0, 0);
    c->setBackgroundRoundness(0);
    setChart(c);
}

void MoistureChart::plot(const std::vector<Line>& lines, double target, const QVector<QPointF>& celsius)
{
    QChart* c = chart();
    c->removeAllSeries();
    for (QAbstractAxis* a : c->axes()) {
        c->removeAxis(a);
        delete a;
    }
    c->setBackgroundBrush(theme().panel);
    setBackgroundBrush(theme().panel);
    c->legend()->setFont(textFont(9));
    c->legend()->setLabelColor(theme().text);
    c->legend()->setAlignment(Qt::AlignTop);
    double last = 1, most = target + 2;
    for (const Line& l : lines)
        for (const QVector<QPointF>* points : {&l.read, &l.expected})
            for (const QPointF& p : *points) {
                last = std::max(last, p.x());
                most = std::max(most, p.y());
            }
    for (const QPointF& p : celsius) last = std::max(last, p.x());
    auto* days = axis(tr("days"), "%.0f");
    auto* percent = axis(tr("moisture, %"), "%.0f");
    // Whole steps that are read at a glance, and room for a point at the end.
    const auto ticks = [](QValueAxis* a, double to) {
        double step = 1;
        for (const double wide : {2.0, 5.0, 10.0, 20.0, 50.0, 100.0, 500.0})
            if (to / step > 8) step = wide;
        a->setTickType(QValueAxis::TicksDynamic);
        a->setTickInterval(step);
    };
    days->setRange(-last * 0.02, last * 1.03);
    percent->setRange(0, std::ceil(most / 5) * 5);
    ticks(days, last);
    ticks(percent, most);
    c->addAxis(days, Qt::AlignBottom);
    c->addAxis(percent, Qt::AlignLeft);
    const auto add = [&](QXYSeries* series, QAbstractAxis* up, bool named) {
        c->addSeries(series);
        series->attachAxis(days);
        series->attachAxis(up);
        for (QLegendMarker* m : c->legend()->markers(series)) m->setVisible(named);
    };
    QStringList words;
    for (size_t k = 0; k < lines.size(); ++k) {
        const Line& l = lines[k];
        auto* expected = new QLineSeries;
        expected->setName(l.name);
        expected->setPen(QPen(ink(k), 1.8, l.read.size() > 1 ? Qt::DashLine : Qt::SolidLine));
        expected->replace(l.expected);
        auto* read = new QScatterSeries;
        read->setName(l.name);
        read->setMarkerSize(8);
        read->setColor(ink(k));
        read->setBorderColor(theme().panel);
        read->replace(l.read);
        add(expected, percent, l.read.isEmpty() && lines.size() > 0);
        add(read, percent, !l.read.isEmpty());
        if (!l.read.isEmpty())
            words << tr("%1: %2 % on day %3")
                         .arg(l.name)
                         .arg(l.read.back().y(), 0, 'f', 1)
                         .arg(l.read.back().x(), 0, 'f', 0);
    }
    auto* line = new QLineSeries;
    line->setName(tr("%1 %").arg(target, 0, 'f', 0));
    line->setPen(QPen(theme().quiet, 1.2, Qt::DotLine));
    line->replace(QVector<QPointF>{{0, target}, {last, target}});
    add(line, percent, true);
    if (!celsius.isEmpty()) {
        auto* warm = axis(tr("set to, °C"), "%.0f");
        warm->setGridLineVisible(false);
        warm->setRange(0, 60);
        ticks(warm, 60);
        c->addAxis(warm, Qt::AlignRight);
        auto* set = new QLineSeries;
        set->setName(tr("°C"));
        set->setPen(QPen(theme().warn, 1.6));
        QVector<QPointF> steps;
        for (qsizetype k = 0; k < celsius.size(); ++k) {
            if (k > 0) steps << QPointF(celsius[k].x(), celsius[k - 1].y());
            steps << celsius[k];
        }
        steps << QPointF(last, celsius.back().y());
        set->replace(steps);
        add(set, warm, true);
    }
    said_ = words.join(QStringLiteral("; "));
    setAccessibleName(tr("Moisture over the days"));
    setAccessibleDescription(said_);
}

}  // namespace vl::app
