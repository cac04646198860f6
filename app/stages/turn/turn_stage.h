#pragma once

#include "app/stages/stage.h"

class QComboBox;
class QLabel;
class QPushButton;

namespace vl::app {

class AxesView;
class GridView;
class OpeningView;
class RecordList;
class PageSwitch;

/// Turn: stations and caliper settings on the axis, other axes across it, mounts, index, speeds, swing.
class TurnStage : public Stage {
    Q_OBJECT
public:
    explicit TurnStage(Document& document, QWidget* parent = nullptr);

    AxesView* axes() { return axes_; }
    /// Shows one of its lower pages: "stations", "axes", "depth", "mounts", "index", "grid", "openings".
    void showPage(const QString& name);

protected:
    /// Of what hangs below the section: the stations, while they are shown.
    int columnCount() const override;

private:
    void buildAxes();
    void buildCuts();
    void buildWorked();
    void buildLetIn();
    void refresh() override;
    void refreshAxes();
    void refreshFeet();
    /// The chosen axis; null where there is none.
    const OffAxis* axis() const;
    void editAxis(const QString& what, const std::function<void(OffAxis&)>& change);

    RecordList *holes_, *sawn_, *worked_ = nullptr, *decors_ = nullptr, *flaws_, *inlays_, *bought_;
    GridView* grid_;
    OpeningView* openings_;
    LengthField *spacing_, *edgeLength_, *edgeWidth_;
    PageSwitch* pages_ = nullptr;
    AxesView* axes_;
    QComboBox* which_;
    QPushButton* remove_;
    FieldForm* form_;
    LengthField *from_, *to_, *radius_;
    QLabel *comes_, *feet_;
    QWidget* range_;  ///< its fields that are no declared ones
};

}  // namespace vl::app
