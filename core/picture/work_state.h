#pragma once

#include "core/picture/closed_surface.h"

namespace vl {

/// Some layers of a piece as they are at one moment of the work: cut, glued together, turned so far.
struct Body {
    std::vector<size_t> layers;  ///< from the headstock on
    bool apart = false;          ///< its segments are cut and not glued yet
    bool round = false;          ///< turned outside
    bool hollow = false;
    size_t axes = 0;                                             ///< set-ups on other axes that are turned
    bool rings = false;                                          ///< parted into nested rings
    enum Part { All, Box, Lid } part = All;                      ///< of a piece whose lid is parted from it
    enum Reversed { None, First, Reassembled } reversed = None;  ///< of parts that are turned inside out
    enum Split { Whole, Opened, TurnedOn } split = Whole;
    bool fitted = false;             ///< with what is bought
    std::vector<std::string> cut{};  ///< steps of saw and drill, of filling and coloring that are done
    double shift = 0;                ///< mm along the axis away from where it lies in the piece

    bool operator==(const Body&) const = default;
};

/// A piece's bodies after the first `count` steps of its recipe in this order: what each step takes is gone, what it
/// gives is there. Boards that nothing was cut from yet are not among them.
std::vector<Body> bodiesAfter(const Piece& piece, const Assembly& assembly, const std::vector<size_t>& order,
                              size_t count);

/// Bodies as they lie, those that wait for their turn a little way along the axis, segments a little way out of it.
Mesh bodiesMesh(const Piece& piece, const Assembly& assembly, const TurnedSurfaces& surfaces,
                const std::vector<Body>& bodies, const MeshDetail& detail = {});

/// The same as surfaces for other programs, each body closed by itself where its blank is, `tolerance` mm from the true
/// ones.
Surface bodiesSurface(const Piece& piece, const Assembly& assembly, const TurnedSurfaces& surfaces,
                      const std::vector<Body>& bodies, double tolerance);

/// How far they reach: along the axis from station 0, and across it, mm.
struct Reach {
    double height = 0, diameter = 0;
};
Reach reachOf(const Assembly& assembly, const TurnedSurfaces& surfaces, const std::vector<Body>& bodies);

}  // namespace vl
