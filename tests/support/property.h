#pragma once

#include <gtest/gtest.h>
#include <rapidcheck.h>

namespace vl::test {

/// Checks a property over random cases and fails the test where it does not hold: rc::check() by itself only prints.
template <class Testable> void property(Testable&& holds) { EXPECT_TRUE(rc::check(std::forward<Testable>(holds))); }

}  // namespace vl::test
