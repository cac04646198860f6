#pragma once

#include <QDialog>

namespace vl::app {

/// How the program looks and measures, whatever piece is open.
struct Preferences {
    int unit = 0;             ///< place in LengthStyle::Unit
    int denominator = 32;     ///< of the finest fraction of an inch: 8, 16, 32 or 64
    double snapMetric = 0.5;  ///< mm that drags keep to
    int snapImperial = 32;    ///< the inch's share that drags keep to
    bool dark = false;
    int textPercent = 100;  ///< size of text and drawings, from the next start on
    QString currency;       ///< what prices are in; empty: bare numbers
    bool letter = false;    ///< paper: Letter instead of A4

    /// What was stored, each within what it may be.
    static Preferences stored();
    void store() const;
};

/// Each choice takes effect at once.
class PreferencesDialog : public QDialog {
    Q_OBJECT
public:
    explicit PreferencesDialog(QWidget* parent);

signals:
    void changed();
};

}  // namespace vl::app
