#include "app/window/machines_dialog.h"

#include "app/theme/theme.h"
#include "core/measure/format.h"

#include <QDialogButtonBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QListWidget>
#include <QPainter>
#include <QPainterPath>
#include <QPushButton>
#include <QScrollArea>

#include <cmath>

namespace vl::app {

/// A lathe from the side, jaws from the front, a tool from above; measures at their places.
class MachineDrawing : public QWidget {
public:
    explicit MachineDrawing(Document& document) : doc_(document)
    {
        setMinimumSize(420, 230);
        setAccessibleName(tr("Drawing of the chosen machine"));
    }
    void show(std::variant<std::monostate, Lathe, Jaws, TurningTool> what)
    {
        what_ = std::move(what);
        update();
    }

protected:
    void paintEvent(QPaintEvent*) override
    {
        QPainter painter(this);
        painter.fillRect(rect(), theme().panel);
        painter.setRenderHint(QPainter::Antialiasing);
        painter.setFont(textFont(9));
        p_ = &painter;
        if (const Lathe* l = std::get_if<Lathe>(&what_)) draw(*l);
        if (const Jaws* j = std::get_if<Jaws>(&what_)) draw(*j);
        if (const TurningTool* t = std::get_if<TurningTool>(&what_)) draw(*t);
    }

private:
    QString mm(double v) const { return QString::fromStdString(formatLengthUnit(v, doc_.style())); }
    void body(const QRectF& box)
    {
        p_->setPen(QPen(theme().quiet, 1.2));
        p_->setBrush(theme().ground);
        p_->drawRoundedRect(box, 3, 3);
    }
    void word(const QPointF& middle, const QString& words)
    {
        const QRectF box = QRectF(p_->fontMetrics().boundingRect(words)).adjusted(-4, -2, 4, 2);
        const QRectF at(middle - QPointF(box.width() / 2, box.height() / 2), box.size());
        p_->fillRect(at, theme().panel);
        p_->setPen(theme().text);
        p_->drawText(at, Qt::AlignCenter, words);
    }
    /// A measure between two places, with its number in the middle.
    void measure(const QPointF& a, const QPointF& b, const QString& words)
    {
        p_->setPen(QPen(theme().accent, 1.3));
        p_->drawLine(a, b);
        const QPointF along = (b - a) / std::max(1.0, std::hypot((b - a).x(), (b - a).y())),
                      across(-along.y(), along.x());
        for (const QPointF& end : {a, b}) p_->drawLine(end - across * 4, end + across * 4);
        word((a + b) / 2, words);
    }

    void draw(const Lathe& l)
    {
        const double w = width(), h = height(), left = 30, head = 90, tail = 70;
        const double bed = h - 66, room = w - left - head - tail - 40;
        // One scale up and along as far as it goes; long lathes are drawn shortened.
        const double up =
            std::min((bed - 26) / std::max(l.swingRadius * 1.25, 1.0), room / std::max(l.betweenCenters, 1.0) * 2.2);
        const double axis = bed - l.swingRadius * up, from = left + head, to = w - tail - 40;
        body({left - 8, bed, w - 2 * left + 16, 18});
        body({left + 10, bed + 18, 26, 36});
        body({w - left - 36, bed + 18, 26, 36});
        body({left, axis - 22, head - 18, bed - axis + 22});
        body({to + 12, axis - 14, tail - 12, bed - axis + 14});
        p_->setPen(QPen(theme().quiet, 3));
        p_->drawLine(QPointF(left + head - 18, axis), QPointF(from, axis));
        p_->drawLine(QPointF(to, axis), QPointF(to + 12, axis));
        const double rest = axis + std::min(l.restSwing * up, bed - axis);
        const double middle = from + (to - from) * 0.62;
        body({middle - 26, rest, 52, bed - rest});
        p_->setPen(QPen(theme().quiet, 1, Qt::DashLine));
        p_->drawLine(QPointF(from, axis), QPointF(to, axis));
        measure({from, axis - 16}, {to, axis - 16}, mm(l.betweenCenters));
        const double at = from + (to - from) * 0.25;
        measure({at, axis}, {at, bed}, mm(l.swingRadius));
        measure({middle, axis}, {middle, rest}, mm(l.restSwing));
        p_->setPen(theme().quiet);
        p_->drawText(QRectF(0, h - 22, w, 18), Qt::AlignCenter,
                     tr("%1 to %2 rpm · %3 kg%4")
                         .arg(l.lowestRpm, 0, 'f', 0)
                         .arg(l.highestRpm, 0, 'f', 0)
                         .arg(l.mass, 0, 'f', 0)
                         .arg(l.plate > 0 ? tr(" · index plate of %1").arg(l.plate) : QString()));
    }

    void draw(const Jaws& j)
    {
        const double h = height(), scale = (h - 70) / 2 / std::max(j.swing, j.gripMost / 2);
        const QPointF front(width() * 0.3, h / 2 + 6);
        // Four jaws, opened to their widest grip.
        const double in = j.gripMost / 2 * scale, out = std::max(j.swing * scale, in + 6);
        for (int k = 0; k < 4; ++k) {
            QPainterPath ring;
            const double gap = 6, from = 90 * k + gap, span = 90 - 2 * gap;
            ring.arcMoveTo(QRectF(front - QPointF(out, out), QSizeF(2 * out, 2 * out)), from);
            ring.arcTo(QRectF(front - QPointF(out, out), QSizeF(2 * out, 2 * out)), from, span);
            ring.arcTo(QRectF(front - QPointF(in, in), QSizeF(2 * in, 2 * in)), from + span, -span);
            ring.closeSubpath();
            p_->setPen(QPen(theme().quiet, 1.2));
            p_->setBrush(theme().ground);
            p_->drawPath(ring);
        }
        p_->setBrush(Qt::NoBrush);
        p_->setPen(QPen(theme().quiet, 1, Qt::DashLine));
        const double least = j.gripLeast / 2 * scale;
        p_->drawEllipse(front, least, least);
        measure(front - QPointF(in, 0), front + QPointF(in, 0), QStringLiteral("Ø ") + mm(j.gripMost));
        // Its dovetail from the side.
        const double deep = std::max(14.0, j.depth * 4), lean = std::tan(j.dovetail * degrees) * deep;
        const QPointF foot(width() * 0.66, h / 2 + deep / 2);
        p_->setPen(QPen(theme().quiet, 1.2));
        p_->setBrush(theme().ground);
        p_->drawPolygon(
            QPolygonF{foot, foot + QPointF(60, 0), foot + QPointF(60, -deep), foot + QPointF(-lean, -deep)});
        measure(foot + QPointF(120, 0), foot + QPointF(120, -deep), mm(j.depth));
        p_->setPen(theme().quiet);
        p_->drawText(QRectF(0, h - 22, width(), 18), Qt::AlignCenter,
                     tr("close on %1 to %2 · open into %3 to %4 · sides lean %5°")
                         .arg(mm(j.gripLeast), mm(j.gripMost), mm(j.spreadLeast), mm(j.spreadMost))
                         .arg(j.dovetail, 0, 'f', 0));
    }

    void draw(const TurningTool& t)
    {
        const double w = width(), y = height() / 2.0, rest = w * 0.42, reach = w * 0.4;
        const double thick = std::clamp(t.shank * 1.4, 6.0, 40.0), edge = std::clamp(t.width * 1.4, 4.0, 60.0);
        body({40, y - 13, rest - 130, 26});
        body({rest - 90, y - thick / 2, reach + 90, thick});
        body({rest + reach - 4, y - edge / 2, 14, edge});
        body({rest - 7, y - 50, 14, 100});
        measure({rest, y + 64}, {rest + reach + 10, y + 64}, mm(t.reach));
        measure({rest + reach + 60, y - edge / 2}, {rest + reach + 60, y + edge / 2}, mm(t.width));
        p_->setPen(theme().quiet);
        p_->drawText(QRectF(rest - 40, y - 70, 80, 18), Qt::AlignCenter, tr("rest"));
        p_->drawText(QRectF(0, height() - 22, w, 18), Qt::AlignCenter,
                     tr("%1, its shank %2").arg(wordsOf(choices(t.use)[static_cast<size_t>(t.use)]), mm(t.shank)));
    }

    Document& doc_;
    QPainter* p_ = nullptr;
    std::variant<std::monostate, Lathe, Jaws, TurningTool> what_;
};

MachinesDialog::MachinesDialog(Document& document, QWidget* parent)
    : QDialog(parent), doc_(document), list_(new QListWidget), drawing_(new MachineDrawing(document)),
      form_(new FieldForm(document)), use_(new QPushButton(tr("Use it"))), remove_(new QPushButton(tr("Remove"))),
      refused_(new QLabel)
{
    setWindowTitle(tr("Lathes, chucks and tools"));
    resize(900, 640);
    auto* whole = new QHBoxLayout(this);
    auto* left = new QVBoxLayout;
    list_->setAccessibleName(tr("Lathes, jaws and tools"));
    list_->setMinimumWidth(230);
    left->addWidget(list_, 1);
    const std::pair<QString, Kind> kinds[] = {
        {tr("Add a lathe"), OneLathe}, {tr("Add jaws"), OneJaws}, {tr("Add a tool"), OneTool}};
    for (const auto& [words, kind] : kinds) {
        auto* button = new QPushButton(words);
        button->setAutoDefault(false);
        left->addWidget(button);
        connect(button, &QPushButton::clicked, this, [this, kind = kind] { add(kind); });
    }
    whole->addLayout(left);
    auto* right = new QVBoxLayout;
    right->addWidget(drawing_, 1);
    auto* scroll = new QScrollArea;
    scroll->setWidgetResizable(true);
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setWidget(form_);
    right->addWidget(scroll, 1);
    refused_->setProperty("role", "warn");
    refused_->setWordWrap(true);
    right->addWidget(refused_);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Close);
    for (QPushButton* b : {use_, remove_}) b->setAutoDefault(false);
    use_->setObjectName("use-machine");
    remove_->setObjectName("remove-machine");
    buttons->addButton(use_, QDialogButtonBox::ActionRole);
    buttons->addButton(remove_, QDialogButtonBox::ActionRole);
    right->addWidget(buttons);
    whole->addLayout(right, 1);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::accept);
    connect(&doc_, &Document::refused, refused_, &QLabel::setText);
    connect(&doc_, &Document::changed, this, [this] { refresh(); });
    connect(list_, &QListWidget::currentRowChanged, this, [this] { showChosen(); });
    connect(use_, &QPushButton::clicked, this, [this] {
        const Row row = chosen();
        change(tr("use it"), [row](Shop& s) {
            if (row.kind == OneLathe) useLathe(s, static_cast<size_t>(row.other));
            if (row.kind == OneJaws) useJaws(s, static_cast<size_t>(row.other));
        });
    });
    connect(remove_, &QPushButton::clicked, this, [this] {
        const Row row = chosen();
        change(tr("remove"), [row](Shop& s) {
            const auto out = [&](auto& list) { list.erase(list.begin() + row.other); };
            if (row.kind == OneLathe) out(s.otherLathes);
            if (row.kind == OneJaws) out(s.otherJaws);
            if (row.kind == OneTool) out(s.tools);
        });
    });
    connect(form_, &FieldForm::edited, this,
            [this](const QString& words, const std::string& path, const FieldValue& value) {
                const Row row = chosen();
                change(words, [&](Shop& s) {
                    const auto i = static_cast<size_t>(std::max(0, row.other));
                    if (row.kind == OneLathe) setField(row.other < 0 ? s.lathe : s.otherLathes[i], path, value);
                    if (row.kind == OneJaws) setField(row.other < 0 ? s.jaws : s.otherJaws[i], path, value);
                    if (row.kind == OneTool) setField(s.tools[i], path, value);
                });
            });
    refresh();
    list_->setCurrentRow(0);
}

void MachinesDialog::choose(int row) { list_->setCurrentRow(row); }

MachinesDialog::Row MachinesDialog::chosen() const
{
    const int row = list_->currentRow();
    return row >= 0 && row < static_cast<int>(rows_.size()) ? rows_[static_cast<size_t>(row)] : Row{OneLathe, -1};
}

void MachinesDialog::change(const QString& what, const std::function<void(Shop&)>& how)
{
    refused_->clear();
    doc_.changeShop(what, how);
}

void MachinesDialog::add(Kind kind)
{
    int row = 0;
    change(tr("add"), [&](Shop& s) {
        const auto lathes = static_cast<int>(s.otherLathes.size()), jaws = static_cast<int>(s.otherJaws.size()),
                   tools = static_cast<int>(s.tools.size());
        if (kind == OneLathe) {
            s.otherLathes.push_back(s.lathe);
            s.otherLathes.back().name = tr("another lathe").toStdString();
            row = 1 + lathes;
        } else if (kind == OneJaws) {
            s.otherJaws.push_back(s.jaws);
            s.otherJaws.back().name = tr("other jaws").toStdString();
            row = 2 + lathes + jaws;
        } else {
            s.tools.emplace_back();
            s.tools.back().name = tr("hollowing tool").toStdString();
            row = 2 + lathes + jaws + tools;
        }
    });
    list_->setCurrentRow(row);
}

void MachinesDialog::refresh()
{
    const Shop& shop = doc_.shop();
    const int row = list_->currentRow();
    const QSignalBlocker quiet(list_);
    list_->clear();
    rows_.clear();
    const auto put = [&](Kind kind, int other, const std::string& name, const QString& unnamed) {
        rows_.push_back({kind, other});
        QString words = name.empty() ? unnamed : QString::fromStdString(name);
        if (other < 0) words = tr("%1 (in use)").arg(words);
        list_->addItem(words);
    };
    put(OneLathe, -1, shop.lathe.name, tr("The lathe"));
    for (size_t i = 0; i < shop.otherLathes.size(); ++i)
        put(OneLathe, static_cast<int>(i), shop.otherLathes[i].name, tr("a lathe"));
    put(OneJaws, -1, shop.jaws.name, tr("The jaws"));
    for (size_t i = 0; i < shop.otherJaws.size(); ++i)
        put(OneJaws, static_cast<int>(i), shop.otherJaws[i].name, tr("jaws"));
    for (size_t i = 0; i < shop.tools.size(); ++i) put(OneTool, static_cast<int>(i), shop.tools[i].name, tr("a tool"));
    list_->setCurrentRow(std::clamp(row, 0, static_cast<int>(rows_.size()) - 1));
    showChosen();
}

void MachinesDialog::showChosen()
{
    const Shop& shop = doc_.shop();
    const Row row = chosen();
    const auto i = static_cast<size_t>(std::max(0, row.other));
    use_->setEnabled(row.kind != OneTool && row.other >= 0);
    remove_->setEnabled(row.other >= 0);
    const auto put = [this](const auto& one) {
        drawing_->show(one);
        form_->show(itemsOf(one));
    };
    if (row.kind == OneLathe) put(row.other < 0 ? shop.lathe : shop.otherLathes[i]);
    if (row.kind == OneJaws) put(row.other < 0 ? shop.jaws : shop.otherJaws[i]);
    if (row.kind == OneTool) put(shop.tools[i]);
}

}  // namespace vl::app
