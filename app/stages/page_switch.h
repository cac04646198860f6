#pragma once

#include <QWidget>

#include <functional>

class QButtonGroup;
class QHBoxLayout;
class QStackedWidget;

namespace vl::app {

/// Several views in one place, one shown at a time, with a row of buttons to choose by. Tall ones scroll.
class PageSwitch : public QWidget {
    Q_OBJECT
public:
    explicit PageSwitch(QWidget* parent = nullptr);
    void add(const QString& name, QWidget* page, bool scrolls = true);
    /// A small button at the left of the row.
    void addTool(const QString& words, const QString& what, std::function<void()> press);
    /// Shows a page by its name; false where there is none.
    bool show(const QString& name);
    int current() const;

signals:
    void shown(int page);

private:
    QHBoxLayout* row_;
    int tools_ = 0;
    QStackedWidget* pages_;
    QButtonGroup* group_;
};

}  // namespace vl::app
