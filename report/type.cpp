#include "report/type.h"

#include <QFontDatabase>
#include <QStringList>

static void initFonts() { Q_INIT_RESOURCE(fonts); }

namespace vl::report {

QFont type(double points, QFont::Weight weight)
{
    static const QString family = [] {
        initFonts();
        int id = -1;
        for (const char* file : {"medium", "semibold", "regular"})
            id = QFontDatabase::addApplicationFont(QStringLiteral(":/fonts/%1.ttf").arg(file));
        const QStringList families = QFontDatabase::applicationFontFamilies(id);
        return families.isEmpty() ? QStringLiteral("sans-serif") : families.first();
    }();
    QFont font(family);
    font.setPointSizeF(points);
    font.setWeight(weight);
    return font;
}

}  // namespace vl::report
