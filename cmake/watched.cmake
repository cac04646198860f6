# What is tested without a window has a twin under the sanitizers, <name>-watched: made of the same sources, linked to
# the twins of what it is linked to. Both are built beside each other, so that the tests, which are watched by nothing,
# are compiled once for both.
option(VIVID_WATCHED "Build core, files, paper and command line under the sanitizers too, and run their tests twice" OFF)

function(vl_copy_properties from to)
  foreach(property ${ARGN})
    get_target_property(value ${from} ${property})
    if(value)
      set_target_properties(${to} PROPERTIES ${property} "${value}")
    endif()
  endforeach()
endfunction()

# A target once more, as <name>-<suffix>, linked to what there is with that suffix, watched by these sanitizers.
function(vl_twin target suffix sanitizers)
  get_target_property(type ${target} TYPE)
  get_target_property(sources ${target} SOURCES)
  set(twin ${target}-${suffix})
  if(type STREQUAL EXECUTABLE)
    add_executable(${twin} ${sources})
  elseif(type STREQUAL OBJECT_LIBRARY)
    add_library(${twin} OBJECT ${sources})
  else()
    add_library(${twin} STATIC ${sources})
  endif()
  vl_copy_properties(${target} ${twin} AUTORCC AUTOMOC COMPILE_OPTIONS COMPILE_DEFINITIONS PRECOMPILE_HEADERS
                     INTERFACE_COMPILE_DEFINITIONS INCLUDE_DIRECTORIES INTERFACE_INCLUDE_DIRECTORIES UNITY_BUILD
                     UNITY_BUILD_MODE)
  get_target_property(links ${target} LINK_LIBRARIES)
  foreach(link ${links})
    if(NOT link)
      continue() # linked to nothing
    endif()
    if(TARGET ${link}-${suffix})
      target_link_libraries(${twin} PUBLIC ${link}-${suffix})
    else()
      target_link_libraries(${twin} PUBLIC ${link})
    endif()
  endforeach()
  # The sanitizers' own checks confuse GCC's view of what is initialized.
  target_compile_options(${twin} PRIVATE -O1 -g1 -fsanitize=${sanitizers} -fno-sanitize-recover=all
                                         -fno-omit-frame-pointer -Wno-maybe-uninitialized ${ARGN})
  target_link_options(${twin} PUBLIC -fsanitize=${sanitizers})
endfunction()

# A pointer that is null or beside its object is found by the address sanitizer as it is followed: these checks of every
# access would take as long to compile as all others together.
function(vl_watch target)
  if(VIVID_WATCHED)
    vl_twin(${target} watched address,undefined -fno-sanitize=null,alignment,vptr,object-size,pointer-overflow)
  endif()
endfunction()

# Twins whose threads are watched: what runs beside the window is worked out in the core.
function(vl_watch_threads target)
  if(VIVID_WATCHED)
    vl_twin(${target} threads thread -O0)
  endif()
endfunction()
