#include "app/fields/choose.h"

#include "app/theme/theme.h"

#include <QMessageBox>

namespace vl::app {

int choose(QWidget* parent, const QString& words, const QStringList& ways)
{
    QMessageBox box(parent);
    box.setIconPixmap(icon("circle-help", theme().accent).pixmap(32, 32));
    box.setText(words);
    QList<QAbstractButton*> buttons;
    for (const QString& way : ways) buttons << box.addButton(way, QMessageBox::ActionRole);
    box.addButton(QMessageBox::Cancel)->setIcon({});
    box.exec();
    return static_cast<int>(buttons.indexOf(box.clickedButton()));
}

}  // namespace vl::app
