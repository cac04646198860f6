#pragma once

namespace vl::app {

/// Takes the language of the desktop where the program has it, and the plurals of English. Once, before any word is
/// shown.
void installLanguage();

/// Lets the core's texts go through the application's translations from now on.
void translateCore();

}  // namespace vl::app
