#pragma once

namespace vl {

/// Equilibrium moisture content of wood, %, at `celsius` (−10 … 90) and relative humidity 0 … 100 %.
/// Source: USDA Forest Products Laboratory, Wood Handbook (FPL-GTR-282), chapter 4, Hailwood–Horrobin form;
/// coefficients from memory. Throws InputError outside those ranges.
double equilibriumMoisture(double celsius, double humidityPercent);

/// Change of size across the grain, mm, of `size` mm for a change of moisture content in percentage points, below fiber
/// saturation taken as 30 %: size · S/30/100 · ΔM (Wood Handbook, chapter 13, linear form; the 30 % from memory).
double movement(double size, double shrinkagePercent, double moistureChange);

}  // namespace vl
