#pragma once

#include "app/fields/length_field.h"
#include "app/stages/stage.h"
#include "app/window/main_window.h"

#include <QTemporaryDir>
#include <QtTest>

#include <gtest/gtest.h>

namespace vl::test {

/// An edit that puts a whole piece, or shop, in place of what is wanted.
template <class T> auto as(T whole)
{
    return [whole = std::move(whole)](const T&) { return whole; };
}

/// A real window on the screen with a turner's hands: finds things by the names a screen reader would say.
class Desk {
public:
    /// `prepare` may lay files into the data folder before the program starts.
    explicit Desk(const std::function<void(const QString& folder)>& prepare = {})
        : prepared((prepare ? prepare(folder.path()) : void(), true)),
          window(folder.path(), {[this](QWidget*, const QString&, const QString&) { return answer; },
                                 [this](QWidget*, const QString&, const QString&, const QString&) { return answer; },
                                 [this](QWidget*, const QString& words, const QStringList&) {
                                     asked << words;
                                     return way;
                                 },
                                 [this](const QUrl& place) { shown << place.toLocalFile(); }})
    {
        window.show();
        EXPECT_TRUE(QTest::qWaitForWindowExposed(&window));
        QApplication::setActiveWindow(&window);  // no window manager does it here
    }

    /// Opens the sample on a stage.
    void demo(const QString& stage)
    {
        EXPECT_TRUE(window.openDemo("regatta-cup"));
        EXPECT_TRUE(window.goTo(stage));
        QApplication::processEvents();
    }
    app::Document& doc() { return window.document(); }
    const Piece& piece() { return doc().piece(); }

    /// Unfolds the groups on the screen that hold something that fits.
    template <class T> void unfold(const std::function<bool(T*)>& fits)
    {
        for (auto* group : window.findChildren<app::Group*>())
            if (group->isVisible() && !group->isOpen() && std::ranges::any_of(group->findChildren<T*>(), fits)) {
                QTest::mouseClick(group->findChild<QToolButton*>(), Qt::LeftButton);
                QApplication::processEvents();
            }
    }
    template <class T> T* named(const QString& name)
    {
        QApplication::processEvents();
        const auto fits = [&](T* w) { return w->accessibleName() == name || w->objectName() == name; };
        unfold<T>(fits);
        for (T* w : window.findChildren<T*>())
            if (w->isVisible() && fits(w)) return w;
        ADD_FAILURE() << "nothing visible is called " << name.toStdString();
        return nullptr;
    }
    QAbstractButton* button(const QString& text)
    {
        const auto fits = [&](QAbstractButton* b) {
            return b->text() == text || b->accessibleName().startsWith(text) || b->objectName() == text;
        };
        unfold<QAbstractButton>(fits);
        for (auto* b : window.findChildren<QAbstractButton*>())
            if (b->isVisible() && fits(b)) return b;
        ADD_FAILURE() << "no button " << text.toStdString();
        return nullptr;
    }
    void press(const QString& text)
    {
        auto* b = button(text);
        if (!b) return;
        // What has scrolled out of sight is brought back first, as a hand would.
        for (QWidget* in = b->parentWidget(); in; in = in->parentWidget())
            if (auto* scroll = qobject_cast<QScrollArea*>(in)) scroll->ensureWidgetVisible(b);
        QApplication::processEvents();
        QTest::mouseClick(b, Qt::LeftButton);
        QApplication::processEvents();
    }
    /// When a dialog opens, presses its buttons one after another.
    void answerDialog(const QStringList& buttons)
    {
        QTimer::singleShot(100, &window, [this, buttons] {
            QWidget* dialog = QApplication::activeModalWidget();
            if (!dialog) return answerDialog(buttons);
            for (const QString& words : buttons)
                for (auto* b : dialog->findChildren<QAbstractButton*>())
                    if (b->isVisible() && b->text() == words) QTest::mouseClick(b, Qt::LeftButton);
        });
    }
    void type(const QString& field, const QString& words)
    {
        auto* f = named<app::LengthField>(field);
        if (!f) return;
        f->setFocus();
        f->selectAll();
        QTest::keyClicks(f, words);
        QTest::keyClick(f, Qt::Key_Return);
    }
    void click(QWidget* w, QPointF at, Qt::KeyboardModifiers keys = {})
    {
        QTest::mouseClick(w, Qt::LeftButton, keys, at.toPoint());
    }
    void drag(QWidget* w, QPointF from, QPointF to, int steps = 6, Qt::KeyboardModifiers keys = {})
    {
        QTest::mouseMove(w, from.toPoint());
        QTest::mousePress(w, Qt::LeftButton, keys, from.toPoint());
        for (int i = 1; i <= steps; ++i) {
            QMouseEvent move(QEvent::MouseMove, from + (to - from) * i / steps,
                             w->mapToGlobal((from + (to - from) * i / steps).toPoint()), Qt::NoButton, Qt::LeftButton,
                             keys);
            QApplication::sendEvent(w, &move);
        }
        QTest::mouseRelease(w, Qt::LeftButton, keys, to.toPoint());
        QApplication::processEvents();
    }
    template <class T> T* lane()
    {
        for (T* w : window.findChildren<T*>())
            if (w->isVisible()) return w;
        ADD_FAILURE() << "no such lane on this stage";
        return nullptr;
    }

    QTemporaryDir folder;
    bool prepared;
    int way = -1;       ///< which of several ways on is taken
    QStringList asked;  ///< what was asked before
    QStringList shown;  ///< files and folders that the desktop was asked to open
    QString answer;     ///< what the file dialogs answer
    app::MainWindow window;
};

}  // namespace vl::test
