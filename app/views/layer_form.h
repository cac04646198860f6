#pragma once

#include "app/document.h"
#include "core/piece/limits.h"

#include <QWidget>

#include <array>
#include <functional>

class QVBoxLayout;

namespace vl::app {

class LayerSettings;

/// What the chosen layer's construction asks for, and what it has to set: fields for its decisions, and its settings with
/// their working. Only what the kind needs is shown.
class LayerForm : public QWidget {
    Q_OBJECT
public:
    /// `change` applies a change to every chosen layer, under a name for undo.
    LayerForm(Document& document, std::function<void(const QString&, const std::function<void(Layer&)>&)> change, QWidget* parent = nullptr);

    /// Brings the fields up to date with the chosen layer.
    void refresh();

private:
    /// Which fields there are: they are made anew only when this changes.
    QString shape(const Layer& layer) const;
    void rebuild(const Layer& layer);
    void row(const QString& name, QWidget* field);
    void length(const QString& name, const Limit& limit, std::function<double&(Layer&)> member);
    void optionalLength(const QString& name, const Limit& limit, std::function<std::optional<double>&(Layer&)> member, std::function<double(const Layer&)> usual);
    void number(const QString& name, const Limit& limit, int decimals, const QString& suffix, std::function<double&(Layer&)> member);
    void whole(const QString& name, const Limit& limit, std::function<int&(Layer&)> member);
    void choice(const QString& name, const QStringList& words, std::function<int(const Layer&)> get, std::function<void(Layer&, int)> set);
    void check(const QString& name, std::function<bool&(Layer&)> member);
    void offcuts();
    void wood(const QString& name, std::function<std::string&(Layer&)> member);

    Document& doc_;
    std::function<void(const QString&, const std::function<void(Layer&)>&)> change_;
    QVBoxLayout* column_ = nullptr;
    QWidget* inner_ = nullptr;
    LayerSettings* settings_ = nullptr;
    QString shape_;
    int offcutStrips_ = 8;
    std::array<double, 3> offcut_{30, 400, 27};  ///< mm: sawn width, length, thickness of the strips that are there
    std::vector<std::function<void(const Layer&)>> readers_;  ///< each brings one field up to date
};

}  // namespace vl::app
