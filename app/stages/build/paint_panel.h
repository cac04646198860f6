#pragma once

#include "app/document/document.h"
#include "core/piece/edits/pattern.h"

#include <QWidget>

class QCheckBox;
class QDoubleSpinBox;
class QPushButton;
class QSpinBox;

namespace vl::app {

/// The pattern's tools: a wood to paint with, its symmetry, mirror and slant; a ring copied onto others; a picture laid
/// on the skin.
class PaintPanel : public QWidget {
    Q_OBJECT
public:
    explicit PaintPanel(Document& document, QWidget* parent = nullptr);

signals:
    void brushChanged(const Brush& brush);
    /// A picture file is wanted: the window asks for it and hands it to layPicture().
    void pictureWanted();

public slots:
    /// Without a wood: presses choose again.
    void putDown();
    /// Lays a picture on the chosen rings, or on all where only one is chosen; says what came of it or why not.
    void layPicture(const QString& path);

private:
    void changed();
    void copyFrom();

    Document& doc_;
    Brush brush_;
    QPushButton *take_, *copy_;
    QSpinBox* symmetry_;
    QDoubleSpinBox* slant_;
    QCheckBox* mirror_;
    QLabel* said_;
    int copied_ = -1;
};

}  // namespace vl::app
