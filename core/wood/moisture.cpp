#include "core/wood/moisture.h"

#include "core/measure/format.h"
#include "core/measure/input_error.h"

namespace vl {

double equilibriumMoisture(double celsius, double humidityPercent)
{
    if (!(celsius >= -10 && celsius <= 90)) throw InputError("temperature", exact(celsius), "-10 to 90 °C is");
    if (!(humidityPercent >= 0 && humidityPercent <= 100))
        throw InputError("humidity", exact(humidityPercent), "0 to 100 % is");
    const double t = celsius * 1.8 + 32, h = humidityPercent / 100;
    const double w = 330 + 0.452 * t + 0.00415 * t * t;
    const double k = 0.791 + 4.63e-4 * t - 8.44e-7 * t * t;
    const double k1 = 6.34 + 7.75e-4 * t - 9.35e-5 * t * t;
    const double k2 = 1.09 + 2.84e-2 * t - 9.04e-5 * t * t;
    const double kh = k * h;
    return 1800 / w * (kh / (1 - kh) + (k1 * kh + 2 * k1 * k2 * kh * kh) / (1 + k1 * kh + k1 * k2 * kh * kh));
}

double movement(double size, double shrinkagePercent, double moistureChange)
{
    return size * shrinkagePercent / 100 / 30 * moistureChange;
}

}  // namespace vl
