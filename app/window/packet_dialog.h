#pragma once

#include "app/document/document.h"
#include "report/packet.h"

#include <QDialog>
#include <QPrinter>

class QCheckBox;
class QPrintPreviewWidget;

namespace vl::app {

/// The packet as it will be printed, with the choice of its parts and of the paper.
class PacketDialog : public QDialog {
    Q_OBJECT
public:
    PacketDialog(Document& document, const report::PacketChoice& choice, QWidget* parent);
    const report::PacketChoice& choice() const { return choice_; }
    /// Pages of what is chosen.
    int pages() const;

signals:
    void pdfWanted(const report::PacketChoice& choice);
    void printWanted(const report::PacketChoice& choice);

private:
    void print(QPrinter* printer);

    Document& doc_;
    report::PacketChoice choice_;
    QPrinter printer_{QPrinter::ScreenResolution};
    QPrintPreviewWidget* preview_;
};

}  // namespace vl::app
