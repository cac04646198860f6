# A folder is compiled as one: its files are small and share most of what they bring along, which takes longer to read
# than they take. A name of a file's own (in its anonymous namespace) is therefore a name of the folder's own; each file
# still brings along what it names (a test holds it to that).
option(VIVID_BY_FOLDER "Compile each folder as one" ON)

function(vl_by_folder target)
  if(NOT VIVID_BY_FOLDER)
    return()
  endif()
  get_target_property(sources ${target} SOURCES)
  foreach(source ${sources})
    cmake_path(ABSOLUTE_PATH source BASE_DIRECTORY ${CMAKE_CURRENT_SOURCE_DIR} OUTPUT_VARIABLE whole)
    cmake_path(RELATIVE_PATH whole BASE_DIRECTORY ${CMAKE_SOURCE_DIR})
    cmake_path(GET whole PARENT_PATH folder)
    string(REPLACE "/" "_" folder "${folder}")
    set_source_files_properties(${source} PROPERTIES UNITY_GROUP "${folder}")
  endforeach()
  set_target_properties(${target} PROPERTIES UNITY_BUILD ON UNITY_BUILD_MODE GROUP)
endfunction()
