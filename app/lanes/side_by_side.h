#pragma once

#include "core/piece/piece.h"

#include <QWidget>

#include <vector>

namespace vl::app {

/// Two half sections on one scale, foot down, each with what it is called: the piece, and what becomes of it.
class SideBySide : public QWidget {
    Q_OBJECT
public:
    explicit SideBySide(QWidget* parent = nullptr);
    void show(const Piece& one, const QString& called, const Piece* other, const QString& otherCalled);

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    std::vector<Piece> pieces_;
    QStringList names_;
};

}  // namespace vl::app
