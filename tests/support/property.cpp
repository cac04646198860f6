#include "tests/support/property.h"

#include <gtest/gtest.h>
#include <rapidcheck.h>

#include <cstdlib>
#include <string>

namespace vl::test {

void property(const std::function<void()>& holds)
{
    static const bool fixed = [] {
        const char* cases = std::getenv("VIVID_CASES");
        const std::string wanted = std::string("seed=20260101 max_success=") + (cases ? cases : "100");
        return setenv("RC_PARAMS", wanted.c_str(), 0) == 0;
    }();
    ASSERT_TRUE(fixed);
    EXPECT_TRUE(rc::check(holds));
}

template <> int inRange(int low, int high) { return *rc::gen::inRange(low, high); }
template <> std::size_t inRange(std::size_t low, std::size_t high) { return *rc::gen::inRange(low, high); }
template <> char inRange(char low, char high) { return *rc::gen::inRange(low, high); }
bool coin() { return *rc::gen::arbitrary<bool>(); }
unsigned anyNumber() { return *rc::gen::arbitrary<unsigned>(); }

}  // namespace vl::test
