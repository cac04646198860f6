#pragma once

#include <gtest/gtest.h>
#include <rapidcheck.h>

#include <cstdlib>

namespace vl::test {

/// Checks a property over random cases and fails the test where it does not hold: rc::check() by itself only prints.
/// The cases are always the same, unless RC_PARAMS asks for others (./run-tests --long does: fresh seeds, thousands of
/// cases).
template <class Testable> void property(Testable&& holds)
{
    static const bool fixed = [] { return setenv("RC_PARAMS", "seed=20260101", 0) == 0; }();
    ASSERT_TRUE(fixed);
    EXPECT_TRUE(rc::check(std::forward<Testable>(holds)));
}

}  // namespace vl::test
