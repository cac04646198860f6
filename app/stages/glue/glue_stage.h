#pragma once

#include "app/stages/stage.h"

class QCheckBox;
class QComboBox;
class QDateTimeEdit;
class QListWidget;
class QPushButton;

namespace vl::app {

class Timetable;

/// Glue: the recipe along time, in an order that works, each step with its why.
class GlueStage : public Stage {
    Q_OBJECT
public:
    explicit GlueStage(Document& document, QWidget* parent = nullptr);

    void zoom(double factor) override;

signals:
    void calendarWanted();
    void glueBookWanted();
    void shopWanted();

private:
    QLabel* addLabel(const char* role = nullptr);
    void addStep();
    void addWhen();
    void refresh() override;
    void refreshStep();
    void refreshWhen();
    QString said(const Text& text) const;
    QString when(double minutes) const;
    void takeGlue(int index);
    void markDone();

    Timetable* timetable_;
    QListWidget* list_;
    QStringList lines_;
    QComboBox* glue_;
    QLabel *title_, *how_, *why_, *needs_, *time_, *trouble_, *advice_, *ready_, *today_;
    QPushButton *done_, *free_;
    QCheckBox* fully_;
    QCheckBox* dated_;
    QDateTimeEdit* begin_;
};

}  // namespace vl::app
