#pragma once

namespace vl {

/// Four pieces round a square post in a pinwheel, then bored. Lengths mm. Source: plane geometry.
struct PostWrap {
    double side = 40;  ///< of the post
    double wrap = 20;  ///< thickness of each piece
    double bore = 0;   ///< diameter of the hole

    double postDiagonal() const;  ///< side · √2
    bool postVanishes() const { return bore >= postDiagonal(); }
    double stripLength() const
    {
        return side + wrap;
    }  ///< across the end: one piece covers the post's side and the edge of the last one
    double blankSide() const { return side + 2 * wrap; }
    double wallAtFlat() const { return (blankSide() - bore) / 2; }
};

/// Throws InputError unless side and wrap are above 0 and the bore lies within the blank.
void checkPostWrap(const PostWrap& wrap);

}  // namespace vl
