#pragma once

#include <QApplication>
#include <QContextMenuEvent>
#include <QDialog>
#include <QMenu>
#include <QTimer>

#include <gtest/gtest.h>

#include <functional>

namespace vl::test {

/// Asks for the menu of a place, as the right button does.
inline void rightClick(QWidget* w, const QPointF& at)
{
    QContextMenuEvent event(QContextMenuEvent::Mouse, at.toPoint(), w->mapToGlobal(at.toPoint()));
    QApplication::sendEvent(w, &event);
}

/// Hands the window of kind T that opens next to `hands`; gives up after ten seconds.
template <class T> void inNext(std::function<QWidget*()> open, std::function<void(T&)> hands)
{
    auto* timer = new QTimer(qApp);
    QObject::connect(timer, &QTimer::timeout, timer, [timer, open, hands, tries = 0]() mutable {
        auto* there = qobject_cast<T*>(open());
        if (!there && ++tries < 400) return;
        timer->stop();
        timer->deleteLater();
        if (there)
            hands(*there);
        else
            ADD_FAILURE() << "nothing opened";
    });
    timer->start(25);
}

/// What is done in the dialog that opens next.
inline void inDialog(std::function<void(QDialog&)> hands)
{
    inNext<QDialog>(&QApplication::activeModalWidget, std::move(hands));
}

/// Chooses an entry of the menu that opens next, or of a menu within it, by how it begins.
inline void chooseNext(const QString& entry)
{
    inNext<QMenu>(&QApplication::activePopupWidget, [entry](QMenu& menu) {
        QList<QAction*> all = menu.actions();
        QAction* found = nullptr;
        for (qsizetype i = 0; i < all.size(); ++i) {
            if (all[i]->menu()) all << all[i]->menu()->actions();
            if (!found && all[i]->text().startsWith(entry)) found = all[i];
        }
        EXPECT_NE(found, nullptr) << "the menu has no " << entry.toStdString();
        menu.close();
        if (found) found->trigger();
    });
}

}  // namespace vl::test
