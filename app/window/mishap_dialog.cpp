#include "app/window/mishap_dialog.h"

#include "app/fields/field_form.h"
#include "app/lanes/side_by_side.h"

#include <QDialogButtonBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QVBoxLayout>

namespace vl::app {

MishapDialog::MishapDialog(Document& document, QWidget* parent)
    : QDialog(parent), doc_(document), form_(new FieldForm(document)), list_(new QListWidget), how_(new QLabel),
      about_(new QLabel), sides_(new SideBySide), take_(new QPushButton(tr("Go on this way")))
{
    setWindowTitle(tr("Something went wrong"));
    resize(860, 560);
    const Layer& layer = doc_.piece().layers[static_cast<size_t>(doc_.selection().layer)];
    mishap_.layer = layer.id;
    mishap_.at = outlineHeight(doc_.piece()) / 2;
    about_->setWordWrap(true);
    about_->setProperty("role", "quiet");
    how_->setWordWrap(true);
    how_->setObjectName("way-out-how");
    how_->setAlignment(Qt::AlignTop);
    list_->setObjectName("ways-out");
    list_->setAccessibleName(tr("Ways out"));
    list_->setWordWrap(true);
    take_->setObjectName("take-way-out");
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Close);
    buttons->addButton(take_, QDialogButtonBox::AcceptRole);
    connect(buttons, &QDialogButtonBox::accepted, this, &MishapDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(list_, &QListWidget::currentRowChanged, this, &MishapDialog::choose);
    connect(form_, &FieldForm::edited, this, [this](const QString&, const std::string& path, const FieldValue& value) {
        setField(mishap_, path, value);
        refresh();
    });
    auto* left = new QVBoxLayout;
    left->addWidget(form_);
    left->addWidget(about_);
    left->addWidget(list_, 1);
    auto* right = new QVBoxLayout;
    right->addWidget(sides_, 1);
    right->addWidget(how_);
    auto* row = new QHBoxLayout;
    row->addLayout(left, 2);
    row->addLayout(right, 3);
    auto* column = new QVBoxLayout(this);
    column->addLayout(row, 1);
    column->addWidget(buttons);
    refresh();
}

void MishapDialog::refresh()
{
    form_->show(itemsOf(mishap_));
    ways_ = waysOut(doc_.piece(), doc_.shop(), mishap_);
    about_->setText(mishap_.isOfALayer() ? tr("Of layer %1, the one that is chosen.").arg(doc_.selection().layer + 1) +
                                               QLatin1Char(' ') + tr("Lathe off while it is measured.")
                                         : tr("Measured with the lathe off."));
    list_->clear();
    for (const WayOut& way : ways_) list_->addItem(QString::fromStdString(print(way.name, doc_.style())));
    list_->setCurrentRow(ways_.empty() ? -1 : 0);
    if (ways_.empty()) choose(-1);
}

void MishapDialog::choose(int row)
{
    const bool any = row >= 0 && row < static_cast<int>(ways_.size());
    const WayOut* way = any ? &ways_[static_cast<size_t>(row)] : nullptr;
    take_->setEnabled(any);
    QString how = any ? QString::fromStdString(print(way->how, doc_.style())) + QLatin1Char('.')
                      : tr("By these numbers nothing is wrong, or nothing planned saves it.");
    how[0] = how[0].toUpper();
    how_->setText(how);
    sides_->show(doc_.piece(), tr("as drawn"), any ? &way->piece : nullptr, tr("this way"));
}

void MishapDialog::accept()
{
    const int row = list_->currentRow();
    if (row < 0) return;
    doc_.applyInstead(tr("a way out"), doc_.piece(), ways_[static_cast<size_t>(row)].piece);
    QDialog::accept();
}

}  // namespace vl::app
