#include "app/stages/glue/glue_book_dialog.h"

#include "app/fields/field_form.h"
#include "core/piece/records/field_items.h"

#include <QDialogButtonBox>
#include <QHeaderView>
#include <QLabel>
#include <QPushButton>
#include <QSignalBlocker>
#include <QTableWidget>
#include <QVBoxLayout>

namespace vl::app {
namespace {

/// The columns: everything that is declared of a glue but its id.
std::vector<FieldItem> columnsOf(const Glue& glue)
{
    std::vector<FieldItem> all = itemsOf(glue);
    std::erase_if(all, [](const FieldItem& f) { return f.path == "id"; });
    return all;
}

}  // namespace

GlueBookDialog::GlueBookDialog(Document& document, QWidget* parent) : QDialog(parent), doc_(document)
{
    setWindowTitle(tr("The glue book"));
    auto* column = new QVBoxLayout(this);
    auto* lead =
        new QLabel(tr("Values are common practice at 20 °C. The maker's label comes first: put them right here. The "
                      "first glue that suits a joint and stays open long enough is suggested; the order is yours."));
    lead->setWordWrap(true);
    lead->setProperty("role", "quiet");
    column->addWidget(lead);
    table_ = new QTableWidget;
    table_->setAccessibleName(tr("Glues"));
    table_->setSelectionBehavior(QAbstractItemView::SelectRows);
    table_->verticalHeader()->hide();
    column->addWidget(table_, 1);
    said_ = new QLabel;
    said_->setProperty("role", "warn");
    said_->setWordWrap(true);
    column->addWidget(said_);
    auto* buttons = new QHBoxLayout;
    auto* add = new QPushButton(tr("Add a glue"));
    auto* remove = new QPushButton(tr("Take it out"));
    auto* up = new QPushButton(tr("Sooner"));
    auto* usual = new QPushButton(tr("The usual book"));
    for (QPushButton* b : {add, remove, up, usual}) buttons->addWidget(b);
    buttons->addStretch(1);
    auto* close = new QDialogButtonBox(QDialogButtonBox::Close);
    buttons->addWidget(close);
    column->addLayout(buttons);
    connect(close, &QDialogButtonBox::rejected, this, &QDialog::accept);
    connect(&doc_, &Document::refused, said_, &QLabel::setText);
    auto edit = [this](auto change) {
        said_->clear();
        doc_.changeShop(tr("glue book"), [&](Shop& shop) { change(shop.glues, table_->currentRow()); });
        fill();
    };
    connect(add, &QPushButton::clicked, this, [edit] {
        edit([](std::vector<Glue>& glues, int row) {
            Glue g = row >= 0 ? glues[static_cast<size_t>(row)] : Glue{};
            for (int n = 1;; ++n) {
                g.id = "glue-" + std::to_string(n);
                if (std::ranges::find(glues, g.id, &Glue::id) == glues.end()) break;
            }
            g.name = "another glue";
            glues.push_back(g);
        });
    });
    connect(remove, &QPushButton::clicked, this, [edit] {
        edit([](std::vector<Glue>& glues, int row) {
            if (row >= 0 && glues.size() > 1) glues.erase(glues.begin() + row);
        });
    });
    connect(up, &QPushButton::clicked, this, [this, edit] {
        const int row = table_->currentRow();
        edit([](std::vector<Glue>& glues, int at) {
            if (at > 0) std::swap(glues[static_cast<size_t>(at)], glues[static_cast<size_t>(at) - 1]);
        });
        table_->selectRow(std::max(0, row - 1));
    });
    connect(usual, &QPushButton::clicked, this,
            [edit] { edit([](std::vector<Glue>& glues, int) { glues = commonGlues(); }); });
    connect(table_, &QTableWidget::cellChanged, this, &GlueBookDialog::take);
    fill();
    resize(1120, 480);
}

void GlueBookDialog::fill()
{
    const QSignalBlocker quiet(table_);
    const auto& glues = doc_.shop().glues;
    table_->clear();
    table_->setRowCount(static_cast<int>(glues.size()));
    QStringList headings;
    for (const FieldItem& f : columnsOf({})) headings << wordsOf(f.field);
    table_->setColumnCount(static_cast<int>(headings.size()));
    table_->setHorizontalHeaderLabels(headings);
    for (int r = 0; r < table_->rowCount(); ++r) {
        int c = 0;
        for (const FieldItem& f : columnsOf(glues[static_cast<size_t>(r)])) {
            auto* item = new QTableWidgetItem;
            if (const double* number = std::get_if<double>(&f.value)) {
                item->setText(QString::number(*number));
                item->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
            } else if (const bool* flag = std::get_if<bool>(&f.value)) {
                item->setFlags(Qt::ItemIsUserCheckable | Qt::ItemIsEnabled | Qt::ItemIsSelectable);
                item->setCheckState(*flag ? Qt::Checked : Qt::Unchecked);
            } else
                item->setText(QString::fromStdString(std::get<std::string>(f.value)));
            table_->setItem(r, c++, item);
        }
    }
    table_->resizeColumnsToContents();
    for (const int wide : {15, 16}) table_->setColumnWidth(wide, std::min(table_->columnWidth(wide), 260));
}

void GlueBookDialog::take(int row, int column)
{
    const Glue& g = doc_.shop().glues[static_cast<size_t>(row)];
    const QTableWidgetItem* item = table_->item(row, column);
    const QString words = item->text().trimmed();
    const FieldItem field = columnsOf(g)[static_cast<size_t>(column)];
    said_->clear();
    FieldValue value = words.toStdString();
    bool good = true;
    if (std::holds_alternative<double>(field.value))
        value = words.toDouble(&good);
    else if (std::holds_alternative<bool>(field.value))
        value = item->checkState() == Qt::Checked;
    if (good)
        doc_.changeShop(tr("glue book"),
                        [&](Shop& shop) { setField(shop.glues.at(static_cast<size_t>(row)), field.path, value); });
    else
        said_->setText(tr("%1: '%2' is no number; the old value stays").arg(QString::fromStdString(g.name), words));
    fill();
}

}  // namespace vl::app
