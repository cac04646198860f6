#pragma once

#include <QTableWidget>

namespace vl::app {

/// A table that is only read: Ctrl+C copies it, or what of it is chosen, as text that a spreadsheet takes.
class Table : public QTableWidget {
    Q_OBJECT
public:
    explicit Table(const QStringList& columns, QWidget* parent = nullptr);
    void setRows(const QList<QStringList>& rows);
    /// The chosen cells, or all of it with its heads: tabs between columns.
    QString text() const;

protected:
    void keyPressEvent(QKeyEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;

private:
    void copy() const;
};

}  // namespace vl::app
