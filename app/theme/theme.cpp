#include "app/theme/theme.h"

#include "report/type.h"

#include <QApplication>
#include <QFile>
#include <QHash>
#include <QPainter>
#include <QPalette>
#include <QRegularExpression>
#include <QStyleFactory>
#include <QSvgRenderer>

namespace vl::app {

Theme Theme::light()
{
    return {false,     "#ecebe7", "#faf9f7", "#d9d6cf", "#22262a", "#5c6166", "#0b6e7a", "#d8eef0",
            "#ffffff", "#9c4a06", "#fdeede", "#b3261e", "#22262a", "#ffffff", "#ffffff", "#85827b"};
}

Theme Theme::darkBench()
{
    return {true,      "#191b1d", "#232629", "#3a3f44", "#ecebe8", "#a9afb4", "#62c6d2", "#1d3c41",
            "#10181a", "#f2a964", "#42301d", "#ff8a80", "#ecebe8", "#191b1d", "#191b1d", "#7d848a"};
}

QString Theme::styleSheet() const
{
    QString css = QStringLiteral(R"(
* { color: %text; }
QMainWindow, QDialog, #bench { background: %ground; }
QToolTip { background: %panel; color: %text; border: 1px solid %edge; padding: 4px; }
#panel { background: %panel; border: 1px solid %edge; border-radius: 6px; }
#header, #footer { background: %panel; }
#header { border-bottom: 1px solid %edge; }
#footer { border-top: 1px solid %edge; }
QLabel[role="title"] { font-size: 12pt; font-weight: 600; }
QLabel[role="product"] { font-size: 24pt; font-weight: 600; }
QLabel[role="lead"] { font-size: 11pt; }
QLabel[role="card"] { font-size: 10pt; font-weight: 600; }
QLabel[role="heading"] { font-weight: 600; color: %quiet; font-size: 8.5pt; }
QLabel[role="quiet"] { color: %quiet; }
QLabel[role="warn"] { color: %warn; font-weight: 600; }
QPushButton, QToolButton { background: %panel; border: 1px solid %edge; border-radius: 5px; padding: 4px 10px; }
QPushButton:hover, QToolButton:hover { border-color: %accent; }
QPushButton:focus, QToolButton:focus, QLineEdit:focus, QAbstractItemView:focus { border: 2px solid %accent; }
QPushButton:checked, QToolButton:checked { background: %strong; color: %onStrong; border-color: %strong; }
QPushButton:disabled, QToolButton:disabled { color: %quiet; border-color: %edge; background: transparent; }
QToolButton[role="fold"] { background: transparent; border: 1px solid transparent; padding: 2px 4px 2px 0;
    font-weight: 600; font-size: 9pt; }
QToolButton[role="fold"]:checked { background: transparent; color: %text; border-color: transparent; }
QToolButton[role="fold"]:focus { border: 2px solid %accent; }
QToolButton[role="small"] { padding: 1px 5px; color: %accent; border-color: transparent; font-size: 8.5pt; }
QToolButton[role="small"]:checked { background: %accentSoft; color: %accent; border-color: %accent; }
QToolButton[role="toggle"] { padding: 2px 8px; color: %accent; border-color: transparent; }
QToolButton[role="toggle"]:checked { background: %accentSoft; color: %accent; border-color: %accent; }
QPushButton[role="primary"] { background: %accent; color: %onAccent; border-color: %accent;
    font-weight: 600; padding: 6px 18px; }
QPushButton[role="caution"] { background: %warnSoft; color: %warn; border-color: %warn;
    font-weight: 600; border-radius: 13px; padding: 4px 14px; }
QPushButton[role="caution"][level="none"] { background: transparent; color: %quiet; border-color: %edge;
    font-weight: 400; }
QPushButton[role="caution"][level="stop"] { color: %stop; border-color: %stop; }
QToolButton[role="name"] { background: transparent; border: 1px solid transparent; font-size: 12pt; font-weight: 600;
    padding: 2px 6px; }
QToolButton[role="name"]:hover { border-color: %edge; }
QMenuBar { background: transparent; }
QMenuBar::item { background: transparent; padding: 5px 9px; border-radius: 4px; }
QMenuBar::item:selected { background: %accentSoft; }
QSplitter::handle { background: transparent; }
QSplitter::handle:hover { background: %edge; }
QHeaderView::section { background: %panel; color: %quiet; border: none; border-bottom: 1px solid %edge;
    padding: 4px 8px; font-weight: 600; }
QTableView { background: %panel; alternate-background-color: %ground; selection-background-color: %accentSoft;
    selection-color: %text; border: none; }
QTableView::item { padding: 2px 8px; }
QPushButton[role="link"], QToolButton[role="link"] {
    background: transparent; border: 1px solid transparent; color: %accent;
    padding: 2px 6px; }
QPushButton[role="recent"] { background: transparent; border: 1px solid transparent; text-align: left; padding: 2px; }
QPushButton[role="recent"]:hover { border-color: %edge; }
QPushButton[role="link"]:hover, QToolButton[role="link"]:hover { border-color: %edge; }
QLineEdit { background: %field; border: 1px solid %rim; border-radius: 4px; padding: 3px 6px;
    selection-background-color: %accent; selection-color: %onAccent; }
QLineEdit:disabled { background: transparent; border: 1px dashed %edge; color: %quiet; }
QLineEdit[bad="true"] { border: 2px solid %stop; }
QComboBox QAbstractItemView, QMenu { background: %panel; border: 1px solid %edge;
    selection-background-color: %accentSoft; selection-color: %text; }
QMenu::item { padding: 5px 22px 5px 12px; }
QMenu::item:selected { background: %accentSoft; }
QMenu::item:disabled { color: %quiet; }
QMenu::separator { height: 1px; background: %edge; margin: 4px 8px; }
QScrollArea, QScrollArea > QWidget > QWidget { background: transparent; border: none; }
QScrollBar:vertical { background: transparent; width: 10px; }
QScrollBar:horizontal { background: transparent; height: 10px; }
QScrollBar::handle { background: %edge; border-radius: 4px; min-height: 24px; min-width: 24px; }
QScrollBar::add-line, QScrollBar::sub-line { width: 0; height: 0; }
#card { background: %panel; border: 1px solid %accent; border-radius: 6px; }
#start { background: %panel; border: 1px solid %edge; border-radius: 8px; text-align: left; }
#start:hover { border-color: %accent; }
)");
    const std::pair<const char*, QColor> names[] = {
        {"%ground", ground}, {"%panel", panel},       {"%edge", edge},
        {"%text", text},     {"%quiet", quiet},       {"%accentSoft", accentSoft},
        {"%accent", accent}, {"%onAccent", onAccent}, {"%warnSoft", warnSoft},
        {"%warn", warn},     {"%strong", strong},     {"%onStrong", onStrong},
        {"%stop", stop},     {"%field", field},       {"%rim", rim}};
    for (const auto& [name, color] : names) css.replace(QLatin1String(name), color.name());
    static const QRegularExpression points(QStringLiteral("([0-9.]+)pt"));
    for (qsizetype from = 0; from < css.size();) {
        const QRegularExpressionMatch at = points.match(css, from);
        if (!at.hasMatch()) break;
        const QString size = QString::number(textFont(at.captured(1).toDouble()).pointSizeF()) + QStringLiteral("pt");
        css.replace(at.capturedStart(), at.capturedLength(), size);
        from = at.capturedStart() + size.size();
    }
    return css;
}

namespace {
Theme current = Theme::light();
constexpr double leastPoints = 9;  // 12 pixels
}  // namespace

const Theme& theme() { return current; }

QFont textFont(double points, QFont::Weight weight)
{
    return report::type(std::max(points, leastPoints), std::min(weight, QFont::DemiBold));
}

void setTheme(bool dark)
{
    current = dark ? Theme::darkBench() : Theme::light();
    QApplication::setStyle(QStyleFactory::create("Fusion"));
    QPalette palette;
    palette.setColor(QPalette::Window, current.ground);
    palette.setColor(QPalette::Base, current.panel);
    palette.setColor(QPalette::AlternateBase, current.ground);
    for (const QPalette::ColorRole role : {QPalette::WindowText, QPalette::Text, QPalette::ButtonText})
        palette.setColor(role, current.text);
    palette.setColor(QPalette::Button, current.panel);
    palette.setColor(QPalette::Highlight, current.accent);
    palette.setColor(QPalette::HighlightedText, current.onAccent);
    palette.setColor(QPalette::PlaceholderText, current.quiet);
    QApplication::setPalette(palette);
    QApplication::setFont(textFont(9.5));
    qApp->setStyleSheet(current.styleSheet());
}

QString localized(const char* words) { return QCoreApplication::translate("core", words); }

QString semibold(QString html)
{
    return html.replace(QStringLiteral("<b>"), QStringLiteral("<span style='font-weight:600'>"))
        .replace(QStringLiteral("</b>"), QStringLiteral("</span>"));
}

QIcon icon(const char* name, const QColor& color)
{
    static QHash<QString, QIcon> made;
    QIcon& out = made[QLatin1String(name) + color.name()];
    if (!out.isNull()) return out;
    QFile file(QStringLiteral(":/icons/%1.svg").arg(QLatin1String(name)));
    if (!file.open(QIODevice::ReadOnly)) return {};
    QByteArray svg = file.readAll();
    svg.replace("currentColor", color.name().toUtf8());
    QSvgRenderer renderer(svg);
    for (const int size : {16, 32, 64}) {
        QPixmap map(size, size);
        map.fill(Qt::transparent);
        QPainter painter(&map);
        renderer.render(&painter);
        out.addPixmap(map);
    }
    return out;
}

}  // namespace vl::app
