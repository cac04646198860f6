#pragma once

#include "app/document/document.h"
#include "core/plan/cards.h"
#include "devices/line.h"

#include <QDateTime>
#include <QFutureWatcher>
#include <QImage>
#include <QTimer>
#include <QWidget>

namespace vl::app {

/// The plan at the machine: one step, or one place of a list, at a time, over the whole screen. Two keys drive it, or a
/// press anywhere: done and on (space, right, page down, Return), back (left, page up, backspace). Escape leaves it.
/// Where something runs out while a step is done (open time), the first press starts its clock; where a step is done
/// until something is seen, the press asks: on is done, back is once more.
class BenchWindow : public QWidget {
    Q_OBJECT
public:
    /// `list`: the id of the list that is walked; empty: the steps of the recipe.
    BenchWindow(Document& document, const QString& list, QWidget* parent = nullptr);
    ~BenchWindow() override;

    /// What it says, for a screen reader and for tests: sentence, number, what can hurt.
    QString sentence() const;
    QString number() const;
    QStringList hazards() const;
    /// How many are left, this one among them.
    int left() const;
    int at() const { return at_; }
    void forward();
    void back();
    /// What a device says: a pedal drives, speed and angle are shown beside what the plan asks.
    void heard(const DeviceReading& reading);
    QString heardWords() const;
    /// What is asked before a step counts as done; empty where nothing is.
    QString question() const;
    /// How many waits have a timer that runs.
    size_t waiting() const { return timers_.size(); }

protected:
    void paintEvent(QPaintEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;

private:
    struct Running {
        QString what;
        QDateTime until;
        std::string of{};  ///< id of the step that it runs out for; empty: it waits
        bool told = false;
    };
    void run(const QString& what, double minutes, const std::string& of = {});
    void take();
    void tick();
    bool isSteps() const { return checklist_.isEmpty(); }
    int count() const;
    bool isDone(int i) const;
    const Step* step() const;
    const Checklist::Place* place() const;
    const Card* card() const;
    void finishStep();
    void onceMore();
    QString clockWords() const;
    void paintPicture(QPainter& painter, const QRectF& box);
    void paintSetUp(QPainter& painter, const QRectF& box, const Setting& set) const;
    void paintMark(QPainter& painter, const QRectF& box, const Checklist::Place& place) const;
    QString said(const Text& text) const;
    void markSeen();
    std::optional<Text> unseen() const;
    /// Has the work's picture at this card made beside; only the latest request counts.
    void wishPicture();

    Document& doc_;
    QString checklist_;
    std::vector<Card> cards_;
    Checklist list_{};
    int at_ = 0;
    std::vector<Running> timers_;
    std::optional<double> rpm_, angle_, percent_;  // as the devices say
    std::string begun_;                            ///< id of the step whose clock was started
    std::string asked_;                            ///< of which step
    bool asks_ = false;                            ///< whether it is done, or once more
    QTimer clock_;
    QImage picture_;
    QFutureWatcher<QImage> maker_;
    int pictured_ = -1, making_ = -1;  ///< of which card it is, and is being made
};

}  // namespace vl::app
