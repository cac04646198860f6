// Every word on the screen goes through the translations: in a language that puts brackets round whatever it is asked
// for, nothing stands outside of them but numbers, units and what the turner named.
#include "app/lanes/lane.h"
#include "app/language.h"
#include "core/measure/text.h"
#include "tests/support/paint_record.h"
#include "tests/support/samples.h"
#include "tests/ui/desk.h"

#include <QTranslator>

using namespace vl;
using namespace vl::app;
using test::Desk;

namespace {

class Brackets : public QTranslator {
public:
    bool isEmpty() const override { return false; }
    QString translate(const char* context, const char* source, const char*, int) const override
    {
        // Qt's own words are translated by Qt.
        if (!QByteArray(context).startsWith("vl::") && QByteArray(context) != "core") return {};
        return QStringLiteral("«") + QString::fromUtf8(source) + QStringLiteral("»");
    }
};

/// What of a text stands outside of all brackets.
QString outside(const QString& words)
{
    QString out;
    int depth = 0;
    for (const QChar c : words) {
        if (c == u'»') --depth;
        if (depth <= 0 && c != u'»' && c != u'«') out += c;
        if (c == u'«') ++depth;
    }
    return out;
}

/// Letters that are no unit, no number and no name of the turner's.
QStringList left(QString words, const QStringList& names)
{
    static const QRegularExpression tags(QStringLiteral("<[^>]*>"));
    words = outside(words.remove(tags));
    for (const QString& name : names) words.remove(name);
    static const QRegularExpression word(QStringLiteral("[A-Za-z]+"));
    static const QStringList units{"mm",  "in",  "min",  "h",    "g",    "kg", "l", "rpm", "oz", "lb",  "R",   "sin",
                                   "cos", "tan", "asin", "acos", "atan", "n",  "x", "lt",  "gt", "amp", "nbsp"};
    QStringList found;
    for (auto it = word.globalMatch(words); it.hasNext();)
        if (const QString one = it.next().captured(); !units.contains(one)) found << one;
    return found;
}

}  // namespace

TEST(Language, EveryWordOnTheScreenIsTranslated)
{
    installLanguage();  // asked after the brackets, which are the language here
    Brackets brackets;
    QCoreApplication::installTranslator(&brackets);
    translateCore();
    {
        Desk b;
        std::map<QString, QString> missed;  // by the words, where
        for (const std::string sample : {"regatta-cup", "lamp-stand", "flag-bowl", "ballast-dish", "chart-stand"}) {
            ASSERT_TRUE(b.window.openDemo(QString::fromStdString(sample)));
            QStringList names{QString::fromStdString(b.piece().name), QString::fromStdString(b.piece().notes)};
            for (const Board& board : b.doc().shop().rack) names << QString::fromStdString(board.id);
            for (const Glue& glue : b.doc().shop().glues) names << QString::fromStdString(glue.name);
            for (int stage = 0; stage < 5; ++stage) {
                b.window.goTo(b.window.stageNames()[stage]);
                EXPECT_TRUE(QTest::qWaitFor([&] { return !b.doc().boardsBusy(); }, 20000));
                QApplication::processEvents();
                QStringList said;
                for (auto* label : b.window.findChildren<QLabel*>())
                    if (label->isVisible()) said << label->text();
                for (auto* button : b.window.findChildren<QAbstractButton*>())
                    if (button->isVisible()) said << button->text() << button->toolTip();
                for (auto* lane : b.window.findChildren<Lane*>())
                    if (lane->isVisible()) {
                        const auto record = test::recordOf(*lane);
                        for (const auto& text : record->texts) said << text.words;
                        said << lane->accessibleName();
                    }
                for (const QString& words : said)
                    for (const QString& one : left(words, names))
                        missed.emplace(one, QString::fromStdString(sample) + QStringLiteral(": ") + words);
            }
        }
        QStringList list;
        for (const auto& [word, where] : missed) list << word + QStringLiteral(" in ") + where.left(120);
        EXPECT_EQ(list.join("\n").toStdString(), "");
    }
    setTranslation(nullptr);
    QCoreApplication::removeTranslator(&brackets);
}

TEST(Language, OneThingIsNamedAsOne)
{
    Desk b;
    EXPECT_EQ(app::MainWindow::tr("%n cautions", nullptr, 1), "1 caution");
    EXPECT_EQ(app::MainWindow::tr("%n cautions", nullptr, 2), "2 cautions");
}
