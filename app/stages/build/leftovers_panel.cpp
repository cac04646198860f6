#include "app/stages/build/leftovers_panel.h"

#include "app/fields/lengths_field.h"
#include "app/fields/when_seen.h"
#include "core/blank/leftovers.h"
#include "core/piece/records/field_items.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>

namespace vl::app {

LeftoversPanel::LeftoversPanel(Document& document,
                               std::function<void(const QString&, const std::function<void(Layer&)>&)> change,
                               QWidget* parent)
    : QWidget(parent), doc_(document), change_(std::move(change))
{
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(4);
    auto* title = new QLabel(tr("Or leftovers, each with its own measures"));
    title->setProperty("role", "quiet");
    column->addWidget(title);
    const Field widths = fieldOf(&SlabForm::widths);
    Field lengths = widths;
    lengths.limit = fieldOf(&Board::length).limit;
    widths_ = new LengthsField(doc_, tr("Widths of the leftovers"), widths);
    lengths_ = new LengthsField(doc_, tr("Their lengths"), lengths);
    for (LengthsField* field : {widths_, lengths_}) {
        auto* line = new QHBoxLayout;
        auto* label = new QLabel(field->accessibleName());
        label->setBuddy(field);
        label->setProperty("role", "quiet");
        line->addWidget(label, 3);
        line->addWidget(field, 4);
        column->addLayout(line);
        connect(field, &LengthsField::edited, this, [this] { refresh(); });
    }
    said_ = new QLabel;
    said_->setWordWrap(true);
    column->addWidget(said_);
    auto* buttons = new QHBoxLayout;
    round_ = new QPushButton(tr("Lay them round"));
    square_ = new QPushButton(tr("Lay them square"));
    round_->setObjectName("leftovers-round");
    square_->setObjectName("leftovers-square");
    buttons->addWidget(round_);
    buttons->addWidget(square_);
    column->addLayout(buttons);
    connect(&doc_, &Document::changed, new WhenSeen(this, [this] { refresh(); }), &WhenSeen::refresh);
    refresh();
}

void LeftoversPanel::refresh()
{
    const std::vector<Leftover> all = leftoversOf(widths_->values(), lengths_->values());
    const LaidLeftovers circle = largestCircle(all), square = largestSquare(all);
    auto mm = [this](double v) { return QString::fromStdString(formatLengthUnit(v, doc_.style())); };
    said_->setVisible(!all.empty());
    said_->setText(tr("the largest round board is Ø %1, the largest square one %2; jointing is yet to come off")
                       .arg(mm(circle.size), mm(square.size)));
    auto serve = [this](QPushButton* button, const LaidLeftovers& laid) {
        button->disconnect(this);
        button->setEnabled(!laid.widths.empty());
        connect(button, &QPushButton::clicked, this, [this, laid] {
            change_(tr("of these leftovers"), [&](Layer& l) { l = layerOf(std::move(l), laid); });
        });
    };
    serve(round_, circle);
    serve(square_, square);
}

}  // namespace vl::app
