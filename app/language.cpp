#include "app/language.h"

#include "core/measure/text.h"

#include <QCoreApplication>
#include <QLocale>
#include <QTranslator>

namespace vl::app {

void installLanguage()
{
    static bool done = false;
    if (done) return;
    done = true;
    const auto take = [](const QString& language) {
        auto* translator = new QTranslator(QCoreApplication::instance());
        const bool there = translator->load(QStringLiteral(":/translations/vivid-lathe_%1.qm").arg(language));
        if (there) QCoreApplication::installTranslator(translator);
        return there;
    };
    take(QStringLiteral("en"));
    // The core's texts are in English already: they are looked up only where there is another language.
    if (const QString own = QLocale().name().section('_', 0, 0); own != QStringLiteral("en") && take(own))
        translateCore();
}

void translateCore()
{
    setTranslation([](const char* words) { return QCoreApplication::translate("core", words).toStdString(); });
}

}  // namespace vl::app
