#pragma once

#include <gtest/gtest.h>
#include <rapidcheck/Assertions.h>

#include <array>
#include <cstddef>
#include <functional>

namespace vl::test {

/// Checks a property over random cases and fails the test where it does not hold: rc::check() by itself only prints.
/// The cases are always the same, unless RC_PARAMS asks for others (./run-tests --long does: fresh seeds, thousands of
/// cases).
void property(const std::function<void()>& holds);

// What a case is made of, drawn within a property. Compiled once: what RapidCheck brings along takes longer than a
// test.

/// From `low` up to, but not, `high`; of int, size_t and char.
template <class T> T inRange(T low, T high);
template <> int inRange(int low, int high);
template <> std::size_t inRange(std::size_t low, std::size_t high);
template <> char inRange(char low, char high);
bool coin();
/// Any number at all.
unsigned anyNumber();
/// One of these.
template <class List> const auto& oneOf(const List& all) { return all[inRange<std::size_t>(0, all.size())]; }
template <class T, class... More> T element(T first, More... more)
{
    return oneOf(std::array<T, 1 + sizeof...(More)>{first, more...});
}

}  // namespace vl::test
