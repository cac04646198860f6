#include "app/window/help.h"

#include "app/theme/theme.h"

#include <QDialog>
#include <QFile>
#include <QScrollBar>
#include <QTextBlock>
#include <QTextBrowser>
#include <QTextDocument>
#include <QVBoxLayout>

namespace vl::app {

void showHelp(QWidget* parent, const QString& heading, const QString& solid)
{
    auto* window = parent->findChild<QDialog*>(QStringLiteral("help"));
    if (!window) {
        window = new QDialog(parent);
        window->setObjectName(QStringLiteral("help"));
        window->setWindowTitle(QDialog::tr("Help"));
        auto* column = new QVBoxLayout(window);
        column->setContentsMargins(0, 0, 0, 0);
        auto* text = new QTextBrowser;
        text->setAccessibleName(QDialog::tr("Help"));
        text->setFrameShape(QFrame::NoFrame);
        text->document()->setDocumentMargin(22);
        QFile file(QStringLiteral(":/help/help.md"));
        if (file.open(QIODevice::ReadOnly))
            text->setMarkdown(QString::fromUtf8(file.readAll()).replace("%solid%", solid));
        column->addWidget(text);
        window->resize(680, 620);
    }
    auto* text = window->findChild<QTextBrowser*>();
    window->show();
    window->raise();
    window->activateWindow();
    for (QTextBlock block = text->document()->begin(); block.isValid(); block = block.next())
        if (block.blockFormat().headingLevel() > 0 && block.text() == heading) {
            QTextCursor at(block);
            text->setTextCursor(at);
            text->verticalScrollBar()->setValue(text->verticalScrollBar()->value() + text->cursorRect(at).top() - 16);
            break;
        }
}

}  // namespace vl::app
