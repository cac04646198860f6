#include "app/stages/build/looks_panel.h"

#include "app/document/document.h"
#include "app/fields/when_seen.h"

#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>

namespace vl::app {

LooksPanel::LooksPanel(Document& document, QWidget* parent) : QWidget(parent), doc_(document), lead_(new QLabel)
{
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    lead_->setWordWrap(true);
    lead_->setProperty("role", "quiet");
    column->addWidget(lead_);
    for (size_t k = 0; k < looks_.size(); ++k) {
        looks_[k] = new QPushButton;
        looks_[k]->setObjectName(QStringLiteral("look-%1").arg(k));
        column->addWidget(looks_[k]);
        connect(looks_[k], &QPushButton::clicked, this, [this, k] {
            if (k < all_.size()) doc_.applyInstead(tr("worked backwards"), doc_.piece(), all_[k].piece);
        });
    }
    auto* seen = new WhenSeen(this, [this] { refresh(); });
    connect(&doc_, &Document::changed, seen, &WhenSeen::refresh);
    connect(&doc_, &Document::selectionChanged, seen, &WhenSeen::refresh);
    seen->refresh();
}

void LooksPanel::refresh()
{
    if (doc_.live()) return;  // it is worked out anew with the release
    all_ = inverseDesigns(doc_.piece(), doc_.selection().layer);
    lead_->setText(all_.empty() ? tr("Nothing is worked backwards for this layer: it is for rings, for zigzags and "
                                     "diamonds, for wedges round a post, and for rings from a striped board at the "
                                     "rim.")
                                : tr("What the turned surface can show, and the layers that give it:"));
    for (size_t k = 0; k < looks_.size(); ++k) {
        looks_[k]->setVisible(k < all_.size());
        if (k < all_.size()) looks_[k]->setText(QString::fromStdString(print(all_[k].said, doc_.style())));
    }
}

}  // namespace vl::app
