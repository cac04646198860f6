#pragma once

#include <QToolButton>
#include <QWidget>

class QVBoxLayout;

namespace vl::app {

/// Fields that belong together under a heading; the heading folds them away, and it is remembered.
class Group : public QWidget {
    Q_OBJECT
public:
    /// `key` names it in the settings; `open`: how it is before anyone folded it.
    Group(const QString& words, const QString& key, bool open, QWidget* parent = nullptr);
    QVBoxLayout* body() { return body_; }
    void setTitle(const QString& words) { head_->setText(words); }
    void setOpen(bool open);
    /// Nothing in it at the moment: its fields stay away, whatever the fold.
    void setEmpty(bool empty);
    bool isOpen() const { return head_->isChecked(); }

protected:
    void changeEvent(QEvent* event) override;

private:
    void showState();

    QString key_;
    bool empty_ = false;
    QToolButton* head_;
    QWidget* content_;
    QVBoxLayout* body_;
};

}  // namespace vl::app
