#pragma once

#include "app/solid/solid_view.h"

class QLabel;
class QSlider;
class QToolButton;

namespace vl::app {

/// The film under the solid: a slider through the steps of the recipe, which shows the piece as it is after each, and
/// plays. Choosing a step anywhere moves it there; its far end is the finished piece.
class FilmBar : public QWidget {
    Q_OBJECT
public:
    FilmBar(Document& document, SolidScene& scene, QWidget* parent = nullptr);
    /// The step that is shown, or what is shown instead.
    QString said() const;

private:
    void show(int steps);
    void documentChanged();
    void play(bool on);

    Document& doc_;
    SolidScene& scene_;
    QSlider* slider_;
    QToolButton *play_, *roll_;
    QLabel* said_;
    QTimer beat_;
    std::string step_;
};

}  // namespace vl::app
