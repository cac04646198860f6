#include "devices/sim/face.h"

#include <QMouseEvent>
#include <QPainter>

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

constexpr double pi = 3.14159265358979323846;
const QColor ink(40, 44, 48), body(214, 216, 218), plate(245, 244, 240), red(176, 58, 46);

}  // namespace

DeviceFace::DeviceFace(QWidget* parent) : QWidget(parent)
{
    setMinimumSize(280, 180);
    setCursor(Qt::PointingHandCursor);
}

std::pair<double, double> DeviceFace::range(DeviceReading::What what)
{
    switch (what) {
    case DeviceReading::Length:
        return {0, 150};
    case DeviceReading::Moisture:
        return {0, 60};
    case DeviceReading::Angle:
        return {0, 360};
    case DeviceReading::Speed:
        return {0, 3600};
    case DeviceReading::Temperature:
        return {0, 70};
    case DeviceReading::Pedal:
        break;
    }
    return {1, 2};
}

void DeviceFace::set(DeviceReading::What what, double value)
{
    what_ = what;
    value_ = value;
    update();
}

double DeviceFace::share() const
{
    const auto [low, high] = range(what_);
    return std::clamp((value_ - low) / (high - low), 0.0, 1.0);
}

void DeviceFace::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), plate);
    painter.setRenderHint(QPainter::Antialiasing);
    switch (what_) {
    case DeviceReading::Length:
        return drawCaliper(painter);
    case DeviceReading::Moisture:
    case DeviceReading::Speed:
        return drawNeedle(painter);
    case DeviceReading::Angle:
        return drawSpindle(painter);
    case DeviceReading::Temperature:
        return drawThermometer(painter);
    case DeviceReading::Pedal:
        return drawPedal(painter);
    }
}

void DeviceFace::drawDigits(QPainter& painter, const QRectF& box, const QString& words) const
{
    painter.setPen(QPen(ink, 1));
    painter.setBrush(QColor(198, 208, 190));
    painter.drawRoundedRect(box, 3, 3);
    QFont font = painter.font();
    font.setPixelSize(static_cast<int>(box.height() * 0.62));
    font.setBold(true);
    painter.setFont(font);
    painter.drawText(box, Qt::AlignCenter, words);
}

void DeviceFace::drawCaliper(QPainter& painter) const
{
    const double w = width(), beam = height() * 0.38, left = 24, open = 10 + share() * (w - 170);
    painter.setPen(QPen(ink, 1));
    painter.setBrush(body);
    painter.drawRect(QRectF(left, beam, w - 2 * left, 16));
    const auto jaw = [&](double x, double way) {
        const QPointF corners[] = {{x, beam - 26},
                                   {x, beam + 80},
                                   {x + way * 8, beam + 80},
                                   {x + way * 20, beam + 16},
                                   {x + way * 20, beam - 26}};
        painter.drawPolygon(corners, 5);
    };
    jaw(left + 20, -1);
    jaw(left + 20 + open, 1);
    drawDigits(painter, {left + 44 + open, beam - 14, 100, 44}, QStringLiteral("%1").arg(value_, 0, 'f', 2));
}

void DeviceFace::drawNeedle(QPainter& painter) const
{
    const QPointF foot(width() / 2.0, height() * 0.82);
    const double reach = std::min(width() / 2.0 - 20, height() * 0.7);
    const auto [low, high] = range(what_);
    painter.setPen(QPen(ink, 1.5));
    for (int k = 0; k <= 6; ++k) {
        const double a = pi * (1 - k / 6.0);
        const QPointF way(std::cos(a), -std::sin(a));
        painter.drawLine(foot + way * (reach - 10), foot + way * reach);
        painter.drawText(QRectF(foot + way * (reach - 26) - QPointF(24, 9), QSizeF(48, 18)), Qt::AlignCenter,
                         QString::number(low + (high - low) * k / 6, 'f', 0));
    }
    const double a = pi * (1 - share());
    painter.setPen(QPen(red, 3));
    painter.drawLine(foot, foot + QPointF(std::cos(a), -std::sin(a)) * (reach - 34));
    drawDigits(painter, {foot.x() - 70, foot.y() - 4, 140, 34},
               what_ == DeviceReading::Speed ? QStringLiteral("%1 rpm").arg(value_, 0, 'f', 0)
                                             : QStringLiteral("%1 %").arg(value_, 0, 'f', 1));
}

void DeviceFace::drawSpindle(QPainter& painter) const
{
    const QPointF middle(width() * 0.36, height() / 2.0);
    const double r = std::min(width() * 0.3, height() * 0.42);
    painter.setPen(QPen(ink, 1.5));
    painter.setBrush(body);
    painter.drawEllipse(middle, r, r);
    for (int k = 0; k < 24; ++k) {
        const double a = 2 * pi * k / 24;
        painter.drawLine(middle + QPointF(std::sin(a), -std::cos(a)) * (r - 8),
                         middle + QPointF(std::sin(a), -std::cos(a)) * r);
    }
    // Angles grow counterclockwise, as seen from the tailstock.
    const double a = -value_ * pi / 180;
    painter.setPen(QPen(red, 4));
    painter.drawLine(middle, middle + QPointF(std::sin(a), -std::cos(a)) * (r - 10));
    drawDigits(painter, {width() * 0.7 - 10, height() / 2.0 - 20, width() * 0.28, 40},
               QStringLiteral("%1°").arg(value_, 0, 'f', 1));
}

void DeviceFace::drawThermometer(QPainter& painter) const
{
    const double x = width() * 0.3, top = 16, bottom = height() - 40.0, level = bottom - share() * (bottom - top);
    painter.setPen(QPen(ink, 1.5));
    painter.setBrush(Qt::white);
    painter.drawRoundedRect(QRectF(x - 9, top - 6, 18, bottom - top + 16), 9, 9);
    painter.setBrush(red);
    painter.drawEllipse(QPointF(x, bottom + 12), 16, 16);
    painter.fillRect(QRectF(x - 4, level, 8, bottom - level + 6), red);
    const auto [low, high] = range(what_);
    for (int k = 0; k <= 7; ++k) {
        const double y = bottom - (bottom - top) * k / 7;
        painter.drawLine(QPointF(x + 11, y), QPointF(x + 18, y));
        painter.drawText(QRectF(x + 22, y - 9, 40, 18), Qt::AlignLeft | Qt::AlignVCenter,
                         QString::number(low + (high - low) * k / 7, 'f', 0));
    }
    drawDigits(painter, {width() * 0.58, height() / 2.0 - 20, width() * 0.36, 40},
               QStringLiteral("%1 °C").arg(value_, 0, 'f', 1));
}

void DeviceFace::drawPedal(QPainter& painter) const
{
    const char* words[] = {"on", "back"};
    for (int k = 0; k < 2; ++k) {
        const QRectF box(width() / 2.0 * k + 14, height() * 0.25, width() / 2.0 - 28, height() * 0.5);
        painter.setPen(QPen(ink, 2));
        painter.setBrush(std::lround(value_) == k + 1 ? QColor(150, 160, 168) : body);
        painter.drawRoundedRect(box, 8, 8);
        painter.drawText(box, Qt::AlignCenter, QString::fromLatin1(words[k]));
    }
}

void DeviceFace::mousePressEvent(QMouseEvent* event) { mouseMoveEvent(event); }

void DeviceFace::mouseMoveEvent(QMouseEvent* event)
{
    const QPointF at = event->position();
    const auto [low, high] = range(what_);
    if (what_ == DeviceReading::Pedal) {
        if (event->type() == QEvent::MouseButtonPress) emit dragged(at.x() < width() / 2.0 ? 1 : 2);
        return;
    }
    double to = std::clamp(at.x() / std::max(1, width()), 0.0, 1.0);
    if (what_ == DeviceReading::Temperature)
        to = 1 - std::clamp((at.y() - 16) / std::max(1.0, height() - 56.0), 0.0, 1.0);
    emit dragged(low + (high - low) * to);
}

}  // namespace vl
