#include "app/bench/notice.h"

#include <QDBusConnection>
#include <QDBusMessage>
#include <QVariantMap>

namespace vl::app {

void noticeOnDesktop(const QString& title, const QString& words)
{
    if (qEnvironmentVariableIsEmpty("DBUS_SESSION_BUS_ADDRESS")) return;  // asked for, a bus would be started
    QDBusMessage call = QDBusMessage::createMethodCall(
        QStringLiteral("org.freedesktop.Notifications"), QStringLiteral("/org/freedesktop/Notifications"),
        QStringLiteral("org.freedesktop.Notifications"), QStringLiteral("Notify"));
    constexpr int asUsual = -1;  // ms that it stays
    call << QStringLiteral("Vivid Lathe") << 0u << QStringLiteral("vivid-lathe") << title << words << QStringList()
         << QVariantMap() << asUsual;
    QDBusConnection::sessionBus().call(call, QDBus::NoBlock);
}

}  // namespace vl::app
