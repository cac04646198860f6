#include "app/stages/stage.h"

#include "app/theme/theme.h"

#include <QEvent>
#include <QFrame>
#include <QTimer>

#include <utility>

namespace vl::app {
namespace {

/// What scrolls in the panel: as high as its words need when they wrap, which a scroll area does not ask for.
class PanelBody : public QWidget {
public:
    explicit PanelBody(QWidget* parent) : QWidget(parent)
    {
        later_.setSingleShot(true);
        later_.setInterval(0);
        connect(&later_, &QTimer::timeout, this, [this] {
            // Afresh, when the layouts within have settled too. This asks for a layout of its own.
            layout()->activate();
            own_ = true;
            layout()->invalidate();
            settle();
        });
    }

protected:
    bool event(QEvent* event) override
    {
        const bool done = QWidget::event(event);
        if (event->type() != QEvent::LayoutRequest && event->type() != QEvent::Resize && event->type() != QEvent::Show)
            return done;
        settle();
        // What was asked for there is no reason to begin again, for ever.
        if (event->type() != QEvent::LayoutRequest || !std::exchange(own_, false)) later_.start();
        return done;
    }

private:
    void settle()
    {
        const int tall = layout()->totalHeightForWidth(width());
        if (tall > 0 && tall != minimumHeight()) setMinimumHeight(tall);
    }

    QTimer later_;
    bool own_ = false;
};

}  // namespace

Stage::Stage(Document& document, const QString& name, QWidget* parent) : QWidget(parent), doc_(document), name_(name)
{
    connect(&doc_, &Document::changed, this, &Stage::documentChanged);
    connect(&doc_, &Document::selectionChanged, this, &Stage::documentChanged);
    lanes_ = new QVBoxLayout(this);
    lanes_->setContentsMargins(1, 1, 1, 1);
    lanes_->setSpacing(0);
    panel_ = new QScrollArea;
    panel_->setWidgetResizable(true);
    panel_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    panel_->setFrameShape(QFrame::NoFrame);
    auto* inner = new PanelBody(panel_);
    column_ = whole_ = new QVBoxLayout(inner);
    column_->setContentsMargins(14, 8, 14, 10);
    column_->setSpacing(4);
    panel_->setWidget(inner);
}

void Stage::documentChanged()
{
    stale_ = true;
    if (!isVisible()) return;
    stale_ = false;
    settleColumns();
    refresh();
}

void Stage::resizeEvent(QResizeEvent* event)
{
    QWidget::resizeEvent(event);
    settleColumns();
}

void Stage::settleColumns()
{
    if (columnCount() == 0 && columns_.count() == 0) return;
    // As wide as the longest usual figure: "127.05", "10.125", "10 17/64".
    const double least = doc_.style().unit == LengthStyle::Unit::Millimeter ? 37.5
                         : doc_.style().unit == LengthStyle::Unit::Inch     ? 46
                                                                            : 58;
    columns_.setRoom(AxisMap::leftMargin, width() - 16, columnCount(), least);
    if (chosenColumn() >= 0) columns_.reveal(chosenColumn());
}

void Stage::showEvent(QShowEvent* event)
{
    QWidget::showEvent(event);
    if (stale_) documentChanged();
}

void Stage::addLane(QWidget* lane, int stretch) { lanes_->addWidget(lane, stretch); }

QLabel* Stage::heading(const QString& words)
{
    auto* label = new QLabel(words);
    label->setProperty("role", "heading");
    column_->addSpacing(6);
    column_->addWidget(label);
    return label;
}

SectionLane* Stage::addSection(SectionLane::Handles handles, Columns* columns, int stretch)
{
    auto* section = new SectionLane(doc_, axis_, handles, columns);
    addLane(section, stretch);
    connect(section, &SectionLane::cautionClicked, this, &Stage::cautionClicked);
    connect(section, &SectionLane::measureWanted, this, &Stage::measureWanted);
    return section;
}

Group* Stage::group(const QString& words, const char* key, bool open)
{
    auto* made = new Group(words, name_ + QLatin1Char('/') + QLatin1String(key), open);
    whole_->addWidget(made);
    column_ = made->body();
    return made;
}

FigureRow* Stage::figure(FigureId id, const QString& name, bool ofLayer)
{
    auto* f = new FigureRow(doc_, id, name, ofLayer);
    column_->addWidget(f);
    return f;
}

void Stage::figurePair(FigureId left, const QString& leftName, FigureId right, const QString& rightName)
{
    auto* line = new QHBoxLayout;
    line->setSpacing(14);
    line->addWidget(new FigureRow(doc_, left, leftName, false));
    line->addWidget(new FigureRow(doc_, right, rightName, false));
    column_->addLayout(line);
}

LengthField* Stage::lengthRow(const QString& name, const Limit& limit)
{
    auto* field = new LengthField(doc_, name, limit);
    row(name, field);
    return field;
}

template <class Of> LengthField* Stage::shopRow(const Field& declared, Of of)
{
    LengthField* field = lengthRow(wordsOf(declared), declared.limit);
    connect(field, &LengthField::edited, this, [this, of, words = wordsOf(declared)](double mm) {
        doc_.changeShop(words, [&](Shop& shop) { of(shop) = mm; });
    });
    rows_.push_back([this, field, of] { field->setValue(of(doc_.shop())); });
    return field;
}

LengthField* Stage::shopRow(double Shop::*member)
{
    return shopRow(
        fieldOf(member), [member](auto& shop) -> auto& { return shop.*member; });
}

LengthField* Stage::shopRow(double Lathe::*member)
{
    return shopRow(
        fieldOf(member), [member](auto& shop) -> auto& { return shop.lathe.*member; });
}

QComboBox* Stage::choiceRow(const QString& name, const std::vector<Choice>& choices, std::function<int()> get,
                            std::function<void(int)> set)
{
    auto* field = new QComboBox;
    // The panel's width rules, not the longest choice's.
    field->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    field->setMinimumContentsLength(10);
    int widest = 0;
    for (const Choice& c : choices) {
        field->addItem(wordsOf(c));
        widest = std::max(widest, field->fontMetrics().horizontalAdvance(wordsOf(c)));
    }
    constexpr int beside = 150;  // pixels that a choice has beside its name
    if (widest <= beside)
        row(name, field);
    else {
        auto* line = named(name, field);
        line->setDirection(QBoxLayout::TopToBottom);
        line->setSpacing(1);
        column_->addLayout(line);
    }
    connect(field, &QComboBox::activated, this, set);
    rows_.push_back([field, get] { field->setCurrentIndex(get()); });
    return field;
}

void Stage::refreshRows()
{
    for (const auto& refresh : rows_) refresh();
}

QHBoxLayout* Stage::named(const QString& name, QWidget* field)
{
    auto* line = new QHBoxLayout;
    auto* label = new QLabel(name);
    label->setBuddy(field);
    field->setFocusPolicy(Qt::StrongFocus);
    if (field->accessibleName().isEmpty()) field->setAccessibleName(name);
    label->setProperty("role", "quiet");
    line->addWidget(label, 3);
    line->addWidget(field, 4);
    return line;
}

void Stage::row(const QString& name, QWidget* field) { column_->addLayout(named(name, field)); }

void Stage::addToPanel(QWidget* widget) { column_->addWidget(widget); }
void Stage::addToPanel(QLayout* layout) { column_->addLayout(layout); }
void Stage::endPanel() { whole_->addStretch(1); }

}  // namespace vl::app
