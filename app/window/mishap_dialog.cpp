#include "app/window/mishap_dialog.h"

#include "app/fields/field_form.h"
#include "app/theme/theme.h"
#include "core/blank/assembly.h"

#include <QDialogButtonBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QListWidget>
#include <QPainter>
#include <QPushButton>
#include <QVBoxLayout>

namespace vl::app {

/// Two half sections on one scale, foot down: as drawn, and as a way out leaves it.
class SideBySide : public QWidget {
public:
    SideBySide()
    {
        setMinimumSize(420, 240);
        setAccessibleName(tr("As drawn, and as this way leaves it"));
    }
    void show(const Piece& drawn, const Piece* then)
    {
        pieces_ = {drawn};
        if (then) pieces_.push_back(*then);
        update();
    }

protected:
    void paintEvent(QPaintEvent*) override
    {
        QPainter painter(this);
        painter.fillRect(rect(), theme().panel);
        painter.setRenderHint(QPainter::Antialiasing);
        std::vector<Sides> all;
        double widest = 1, highest = 1;
        for (const Piece& p : pieces_) {
            all.push_back(sidesOf(p));
            for (const Point& at : all.back().outside) widest = std::max(widest, at.y());
            highest = std::max(highest, outlineHeight(p));
        }
        constexpr double words = 26, edge = 12;
        const double each = width() / 2.0;
        const double scale = std::min((each - 2 * edge) / (2 * widest), (height() - words - 2 * edge) / highest);
        for (size_t i = 0; i < all.size(); ++i) {
            const QPointF foot(each * (static_cast<double>(i) + 0.5), height() - edge);
            const auto at = [&](double z, double r) { return foot + QPointF(r, -z) * scale; };
            QPolygonF body;
            for (const Point& p : all[i].outside) body << at(p.x(), p.y());
            const Polyline& in = all[i].inside;
            for (auto p = in.rbegin(); p != in.rend(); ++p) body << at(p->x(), p->y());
            if (in.empty()) body << at(all[i].outside.back().x(), 0) << at(0, 0);
            for (qsizetype k = body.size() - 1; k >= 0; --k) body << QPointF(2 * foot.x() - body[k].x(), body[k].y());
            painter.setPen(QPen(theme().text, 1.2));
            painter.setBrush(theme().ground);
            painter.drawPolygon(body);
            painter.setPen(QPen(theme().quiet, 0.8));
            double z = 0;
            for (const Layer& l : pieces_[i].layers) {
                z += l.thickness;
                const double r = radiusAt(all[i].outside, std::min(z, outlineHeight(pieces_[i])));
                painter.drawLine(at(z, -r), at(z, r));
            }
            painter.setPen(i == 0 ? theme().quiet : theme().accent);
            painter.setFont(textFont(9, QFont::DemiBold));
            painter.drawText(QRectF(each * static_cast<double>(i), 4, each, words), Qt::AlignCenter,
                             i == 0 ? tr("as drawn") : tr("this way"));
        }
    }

private:
    std::vector<Piece> pieces_;
};

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
    sides_->show(doc_.piece(), any ? &way->piece : nullptr);
}

void MishapDialog::accept()
{
    const int row = list_->currentRow();
    if (row < 0) return;
    doc_.apply(tr("a way out"), ways_[static_cast<size_t>(row)].piece);
    QDialog::accept();
}

}  // namespace vl::app
