#include "app/stages/cut/rack_form.h"

#include "app/fields/choose.h"
#include "app/fields/length_field.h"
#include "app/fields/when_seen.h"
#include "app/fields/wood_picker.h"
#include "app/theme/theme.h"
#include "core/measure/format.h"
#include "core/piece/records/field_items.h"
#include "report/board_pages.h"

#include <QDoubleValidator>
#include <QFormLayout>
#include <QLineEdit>
#include <QProgressBar>

#include <algorithm>
#include <cmath>

namespace vl::app {

RackForm::RackForm(Document& document, QWidget* parent)
    : QWidget(parent), doc_(document), column_(new QVBoxLayout(this))
{
    column_->setContentsMargins(0, 0, 0, 0);
    column_->setSpacing(5);
    addPlan();
    addBoardFields();
    auto* seen = new WhenSeen(this, [this] { refresh(); });
    connect(&doc_, &Document::changed, seen, &WhenSeen::refresh);
    connect(&doc_, &Document::boardsChanged, seen, &WhenSeen::refresh);
    connect(&doc_, &Document::selectionChanged, seen, &WhenSeen::refresh);
    refresh();
}

QLabel* RackForm::addLabel(const char* role)
{
    auto* label = new QLabel;
    label->setWordWrap(true);
    if (role) label->setProperty("role", role);
    column_->addWidget(label);
    return label;
}

/// What the plan uses and lacks, how far it is, and what is done with the whole of it.
void RackForm::addPlan()
{
    summary_ = addLabel();
    auto* busy = new QHBoxLayout;
    progress_ = new QProgressBar;
    progress_->setRange(0, 100);
    progress_->setFixedHeight(8);
    progress_->setTextVisible(false);
    progress_->setAccessibleName(tr("Cutting plan under way"));
    cancel_ = new QPushButton(tr("Stop"));
    busy->addWidget(progress_, 1);
    busy->addWidget(cancel_);
    column_->addLayout(busy);
    lacks_ = addLabel("warn");
    auto* buttons = new QHBoxLayout;
    auto* add = new QPushButton(tr("Add a board"));
    add->setObjectName("add-board");
    auto* in = new QPushButton(tr("In from CSV …"));
    auto* out = new QPushButton(tr("Out …"));
    buttons->addWidget(add);
    buttons->addWidget(in);
    buttons->addWidget(out);
    column_->addLayout(buttons);
    auto* work = new QHBoxLayout;
    cut_ = new QPushButton(tr("This strip is cut"));
    cut_->setObjectName("strip-cut");
    away_ = new QPushButton(tr("All cut: offcuts back"));
    away_->setObjectName("put-away");
    away_->setToolTip(
        tr("Takes the boards that are cut off the rack and puts their offcuts back on it, where you say so"));
    work->addWidget(cut_);
    work->addWidget(away_);
    column_->addLayout(work);
    auto* clock = new QTimer(this);
    clock->setInterval(80);
    connect(clock, &QTimer::timeout, this, [this] {
        progress_->setValue(static_cast<int>(100 * doc_.boardsShare()));
        progress_->setVisible(doc_.boardsBusy());
        cancel_->setVisible(doc_.boardsBusy());
    });
    clock->start();
    connect(cancel_, &QPushButton::clicked, &doc_, &Document::cancelBoards);
    connect(add, &QPushButton::clicked, this, &RackForm::addBoard);
    connect(in, &QPushButton::clicked, this, &RackForm::importWanted);
    connect(out, &QPushButton::clicked, this, &RackForm::exportWanted);
    connect(cut_, &QPushButton::clicked, this, &RackForm::toggleCut);
    connect(away_, &QPushButton::clicked, this, &RackForm::putAway);
}

/// The chosen board.
void RackForm::addBoardFields()
{
    strip_ = addLabel();
    boardTitle_ = addLabel("heading");
    fields_ = new QWidget;
    auto* form = new QFormLayout(fields_);
    form->setContentsMargins(0, 0, 0, 0);
    id_ = new QLineEdit;
    id_->setMaxLength(60);
    id_->setAccessibleName(tr("Board's number"));
    wood_ = new QPushButton;
    wood_->setAccessibleName(tr("Board's wood"));
    length_ = new LengthField(doc_, tr("Board's length"), fieldOf(&Board::length).limit);
    width_ = new LengthField(doc_, tr("Board's width"), fieldOf(&Board::width).limit);
    thickness_ = new LengthField(doc_, tr("Board's thickness"), fieldOf(&Board::thickness).limit);
    price_ = new QLineEdit;
    price_->setAccessibleName(tr("Board's price"));
    form->addRow(tr("Number"), id_);
    form->addRow(tr("Wood"), wood_);
    form->addRow(tr("Length"), length_);
    form->addRow(tr("Width"), width_);
    form->addRow(tr("Thickness"), thickness_);
    form->addRow(tr("Price"), price_);
    auto* defects = new QHBoxLayout;
    mark_ = new QPushButton(tr("Mark defects"));
    mark_->setObjectName("mark-defects");
    mark_->setCheckable(true);
    mark_->setToolTip(tr("Drag over a knot, a split or a sapwood edge on the drawing"));
    remove_ = new QPushButton(tr("Take it off the rack"));
    defects->addWidget(mark_);
    defects->addWidget(remove_);
    form->addRow(defects);
    column_->addWidget(fields_);
    followBoardFields();
}

void RackForm::followBoardFields()
{
    connect(mark_, &QPushButton::toggled, this, &RackForm::markingChanged);
    connect(remove_, &QPushButton::clicked, this, [this] {
        doc_.changeShop(tr("board off the rack"), [this](Shop& shop) {
            std::erase_if(shop.rack, [&](const Board& b) { return b.id == doc_.selection().board; });
        });
    });
    connect(id_, &QLineEdit::editingFinished, this, [this] {
        const std::string id = id_->text().toStdString();
        if (id == doc_.selection().board) return;
        change([&](Board& b) { b.id = id; });
        if (std::ranges::find(doc_.shop().rack, id, &Board::id) != doc_.shop().rack.end()) {
            Selection s = doc_.selection();
            s.board = id;
            doc_.select(s);
        }
        refresh();
    });
    connect(wood_, &QPushButton::clicked, this, [this] {
        chooseWood(doc_, wood_, [this](const std::string& id) { change([&](Board& b) { b.wood = id; }); });
    });
    for (const auto& [field, member] :
         {std::pair{length_, &Board::length}, {width_, &Board::width}, {thickness_, &Board::thickness}})
        connect(field, &LengthField::edited, this, [this, member = member](double mm) {
            change([&](Board& b) {
                b.*member = mm;
                keepDefectsOn(b);
            });
        });
    connect(price_, &QLineEdit::editingFinished, this, [this] {
        bool good = false;
        const double v = price_->text().toDouble(&good);
        if (good) change([&](Board& b) { b.price = v; });
        refresh();
    });
}

void RackForm::change(const std::function<void(Board&)>& edit)
{
    const std::string id = doc_.selection().board;
    doc_.changeShop(tr("board %1").arg(QString::fromStdString(id)), [&](Shop& shop) {
        const auto it = std::ranges::find(shop.rack, id, &Board::id);
        if (it != shop.rack.end()) edit(*it);
    });
}

void RackForm::addBoard()
{
    Board b;
    doc_.changeShop(tr("new board"), [&](Shop& shop) {
        const auto like = std::ranges::find(shop.rack, doc_.selection().board, &Board::id);
        if (like != shop.rack.end()) b = *like;
        b.defects.clear();
        b.id = freshBoardId(shop.rack);
        shop.rack.push_back(b);
    });
    Selection s = doc_.selection();
    s.board = b.id;
    doc_.select(s);
}

/// The chosen strip is ticked off, so that it stays where it is in every later plan; or no longer so.
void RackForm::toggleCut()
{
    const Selection& s = doc_.selection();
    for (const PlannedBoard& b : doc_.boards().boards) {
        if (b.board.id != s.board || s.strip < 0 || s.strip >= static_cast<int>(b.strips.size())) continue;
        const PlannedStrip& strip = b.strips[static_cast<size_t>(s.strip)];
        doc_.apply(strip.kept ? tr("strip not cut") : tr("strip cut"), [&](Piece& p) {
            const size_t kept = std::erase_if(p.progress.strips, [&](const KeptStrip& k) {
                return k.board == b.board.id && k.x == strip.place.x && k.y == strip.place.y;
            });
            if (kept == 0) p.progress.strips.push_back(keptStrip(b, strip));
        });
        return;
    }
}

void RackForm::putAway()
{
    if (doc_.boards().boards.empty() || doc_.boardsBusy()) return;
    const int way = choose(this, tr("The boards that are cut go off the rack. Shall their offcuts be kept as boards?"),
                           {tr("Keep the offcuts"), tr("Keep none")});
    if (way < 0) return;
    doc_.changeBoth(tr("all strips cut"), [&](State& s) {
        s.shop.rack = rackAfter(s.shop.rack, doc_.boards(), way == 0);
        s.piece = withAllCut(s.piece, doc_.boards());
    });
}

void RackForm::refresh()
{
    const BoardPlan& plan = doc_.boards();
    const bool any = !plan.boards.empty();
    summary_->setText(
        !any ? tr("No board is cut.")
             : semibold(tr("<b>%n boards</b> · cost %4 · %5 % above the least possible<br>parts %1 % · kerf, "
                           "shavings %2 % · waste %3 %",
                           nullptr, static_cast<int>(plan.boards.size())))
                   .arg(100 * plan.yield(), 0, 'f', 0)
                   .arg(100 * plan.kerfVolume / plan.boardVolume, 0, 'f', 0)
                   .arg(100 * plan.wasteVolume / plan.boardVolume, 0, 'f', 0)
                   .arg(doc_.price(plan.cost))
                   .arg(plan.lowerBound > 0 ? 100 * (plan.consumed / plan.lowerBound - 1) : 0, 0, 'f', 1));
    QStringList lacks;
    for (const Shortfall& s : plan.shortfall)
        lacks << tr("%1 × %2: %3 board %4 thick, strip %5 × %6")
                     .arg(s.count)
                     .arg(report::partName(doc_.plan(), s.part), localized(s.species->name),
                          QString::fromStdString(formatLength(s.board, doc_.style())),
                          QString::fromStdString(formatLength(s.width, doc_.style())),
                          QString::fromStdString(formatLengthUnit(s.length, doc_.style(), 0)));
    QStringList beyond;
    for (const KeptStrip& k : plan.beyondBoard) beyond << QString::fromStdString(k.board);
    beyond.removeDuplicates();
    lacks_->setVisible(!lacks.isEmpty() || !beyond.isEmpty());
    lacks_->setText(tr("To buy:\n%1").arg(lacks.mid(0, 8).join("\n")) +
                    (lacks.size() > 8 ? tr("\nand %1 more").arg(lacks.size() - 8) : QString()));
    if (!beyond.isEmpty())
        lacks_->setText((lacks.isEmpty() ? QString() : lacks_->text() + "\n") +
                        tr("Strips that are cut lie beyond their boards: %1").arg(beyond.join(", ")));
    const Selection& s = doc_.selection();
    const auto it = std::ranges::find(doc_.shop().rack, s.board, &Board::id);
    const bool chosen = it != doc_.shop().rack.end();
    boardTitle_->setText(chosen ? tr("BOARD %1").arg(QString::fromStdString(s.board))
                                : tr("CLICK A BOARD TO CHANGE IT"));
    fields_->setVisible(chosen);
    bool kept = false;
    strip_->hide();
    for (const PlannedBoard& b : plan.boards) {
        if (b.board.id != s.board || s.strip < 0 || s.strip >= static_cast<int>(b.strips.size())) continue;
        const PlannedStrip& strip = b.strips[static_cast<size_t>(s.strip)];
        kept = strip.kept;
        QStringList runs;
        for (const PlannedRun& r : strip.runs)
            runs << QStringLiteral("%1 × %2").arg(r.count).arg(report::partName(doc_.plan(), r.part));
        auto mm = [this](double v, int d) { return QString::fromStdString(formatLengthUnit(v, doc_.style(), d)); };
        strip_->setText(
            semibold(tr("<b>Rip %1, plane to %2</b>: %3"))
                .arg(mm(strip.place.width, 2), mm(strip.thickness, 2), runs.join(QStringLiteral(", "))) +
            (strip.ganged
                 ? tr("<br>Too short to hold by itself: rip it %1 long, then cut it short.").arg(mm(strip.used, 0))
                 : QString()));
        strip_->show();
    }
    cut_->setEnabled(chosen && s.strip >= 0);
    cut_->setText(kept ? tr("Not cut after all") : tr("This strip is cut"));
    away_->setEnabled(any);
    if (!chosen) return;
    if (!id_->hasFocus()) id_->setText(QString::fromStdString(it->id));
    const Species& wood = speciesOf(it->wood);
    wood_->setText(localized(wood.name));
    wood_->setIcon(QIcon(woodSwatch(wood, {18, 18})));
    length_->setValue(it->length);
    width_->setValue(it->width);
    thickness_->setValue(it->thickness);
    if (!price_->hasFocus()) price_->setText(QString::number(it->price));
}

}  // namespace vl::app
