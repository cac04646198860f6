#pragma once

#include "core/blank/assembly.h"

namespace vl {

/// How the wood of two cells meets in a face with this normal, from the way their fibers run (vector geometry; where
/// one kind ends and the next begins is our own choice): fibers more than 25° out of the face show end grain; two such
/// that turn a corner are mitred; of faces that show long grain the fibers cross where they are more than 40° apart.
JointFaces facesOf(const Cell& a, const Cell& b, const Eigen::Vector3d& normal);

/// How a layer meets the one below it, over most of the area they share. What is glued on thinner than 3 mm is veneer.
JointFaces facesBetween(const BuiltLayer& below, const BuiltLayer& above);

}  // namespace vl
