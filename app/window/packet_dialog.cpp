#include "app/window/packet_dialog.h"

#include "app/theme/theme.h"

#include <QCheckBox>
#include <QComboBox>
#include <QHBoxLayout>
#include <QPrintPreviewWidget>

namespace vl::app {

PacketDialog::PacketDialog(Document& document, const report::PacketChoice& choice, QWidget* parent)
    : QDialog(parent), doc_(document), choice_(choice)
{
    setWindowTitle(tr("The packet"));
    resize(980, 720);
    printer_.setOutputFormat(QPrinter::PdfFormat);
    printer_.setFullPage(true);
    preview_ = new QPrintPreviewWidget(&printer_);
    preview_->setAccessibleName(tr("Preview of the packet"));
    preview_->fitInView();

    auto* side = new QVBoxLayout;
    auto* heading = new QLabel(tr("WHAT IS PRINTED"));
    heading->setProperty("role", "heading");
    side->addWidget(heading);
    auto* pdf = new QPushButton(tr("Save as PDF …"));
    auto* paper = new QPushButton(tr("To a printer …"));
    auto refresh = [this, pdf, paper] {
        const bool some = !choice_.parts.empty();
        pdf->setEnabled(some);
        paper->setEnabled(some);
        preview_->setVisible(some);
        if (some) preview_->updatePreview();
    };
    for (const report::PacketPartName& name : report::packetParts()) {
        auto* box = new QCheckBox(localized(name.words));
        box->setChecked(choice_.parts.contains(name.part));
        connect(box, &QCheckBox::toggled, this, [this, part = name.part, refresh](bool on) {
            on ? void(choice_.parts.insert(part)) : void(choice_.parts.erase(part));
            refresh();
        });
        side->addWidget(box);
    }
    side->addSpacing(10);
    auto* size = new QComboBox;
    size->setAccessibleName(tr("Paper"));
    size->addItems({tr("A4"), tr("Letter")});
    size->setCurrentIndex(choice_.paper == report::Paper::Letter);
    connect(size, &QComboBox::activated, this, [this, refresh](int k) {
        choice_.paper = k ? report::Paper::Letter : report::Paper::A4;
        refresh();
    });
    side->addWidget(size);
    auto* scale = new QLabel(tr("Print it at 100 %: templates, angles and circles are full size."));
    scale->setProperty("role", "quiet");
    scale->setWordWrap(true);
    side->addWidget(scale);
    side->addStretch(1);
    pdf->setProperty("role", "primary");
    connect(pdf, &QPushButton::clicked, this, [this] { emit pdfWanted(choice_); });
    connect(paper, &QPushButton::clicked, this, [this] { emit printWanted(choice_); });
    auto* close = new QPushButton(tr("Close"));
    connect(close, &QPushButton::clicked, this, &QDialog::accept);
    for (QPushButton* button : {pdf, paper, close}) side->addWidget(button);

    auto* row = new QHBoxLayout(this);
    row->addLayout(side, 1);
    row->addWidget(preview_, 3);
    connect(preview_, &QPrintPreviewWidget::paintRequested, this, &PacketDialog::print);
    preview_->updatePreview();
}

int PacketDialog::pages() const { return preview_->pageCount(); }

void PacketDialog::print(QPrinter* printer)
{
    report::printPacket(doc_.piece(), doc_.shop(), doc_.plan(), doc_.boards(), doc_.style(), choice_, *printer);
}

}  // namespace vl::app
