#pragma once

#include "app/stages/stage.h"

class QComboBox;
class QListWidget;

namespace vl::app {

class Timetable;

/// Glue: the recipe along time, in an order that works, each step with its why.
class GlueStage : public Stage {
    Q_OBJECT
public:
    explicit GlueStage(Document& document, QWidget* parent = nullptr);

private:
    void refresh() override;
    void refreshStep();

    Timetable* timetable_;
    QListWidget* list_;
    QStringList lines_;
    QComboBox* closing_;
    QLabel *title_, *how_, *why_, *needs_, *time_;
};

}  // namespace vl::app
