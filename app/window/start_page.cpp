#include "app/window/start_page.h"

#include "app/theme/theme.h"
#include "io/files.h"

#include <QAction>
#include <QFile>
#include <QFileInfo>
#include <QGridLayout>
#include <QLabel>
#include <QPushButton>
#include <QScrollArea>

namespace vl::app {
namespace {

/// A card with a picture of the piece, its name and what it is for.
QPushButton* card(PiecePictures& pictures, const QString& name, const QString& purpose, QSize picture,
                  std::function<Piece()> make)
{
    auto* button = new QPushButton;
    button->setObjectName("start");
    button->setAccessibleName(name + ": " + purpose);
    button->setCursor(Qt::PointingHandCursor);
    button->setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Expanding);
    auto* column = new QVBoxLayout(button);
    column->setContentsMargins(12, 10, 12, 10);
    auto* image = new QLabel;
    image->setAlignment(Qt::AlignCenter);
    image->setMinimumSize(picture);
    image->setAttribute(Qt::WA_TransparentForMouseEvents);
    auto* title = new QLabel(name);
    title->setProperty("role", "card");
    title->setWordWrap(true);
    auto* text = new QLabel(purpose);
    text->setWordWrap(true);
    text->setProperty("role", "quiet");
    column->addWidget(image, 1);
    column->addWidget(title);
    column->addWidget(text);
    button->setMinimumHeight(picture.height() + 82);
    pictures.add(button, picture, std::move(make),
                 [image](const QImage& drawn) { image->setPixmap(QPixmap::fromImage(drawn)); });
    return button;
}

Piece demoPiece(const QString& name)
{
    QFile file(QStringLiteral(":/demo/%1.vlathe").arg(name));
    if (!file.open(QIODevice::ReadOnly)) return starts()[0].make();
    return io::readPiece(file.readAll().toStdString()).piece;
}

}  // namespace

StartPage::StartPage(QWidget* parent) : QWidget(parent), pictures_(new PiecePictures(this))
{
    setObjectName("bench");
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(48, 26, 48, 26);
    row->setSpacing(36);

    // In a small window each side scrolls by itself.
    auto scrolling = [row](int share) {
        auto* scroll = new QScrollArea;
        scroll->setWidgetResizable(true);
        scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
        auto* inner = new QWidget;
        scroll->setWidget(inner);
        auto* column = new QVBoxLayout(inner);
        column->setContentsMargins(0, 0, 6, 0);
        row->addWidget(scroll, share);
        return column;
    };
    addWay(scrolling(2));
    QVBoxLayout* right = scrolling(5);
    addStarts(right);
    addSamples(right);
}

/// What the program is for, the way through it, and what was opened lately.
void StartPage::addWay(QVBoxLayout* left)
{
    auto* title = new QLabel(tr("Vivid Lathe"));
    title->setProperty("role", "product");
    auto* lead = new QLabel(tr(
        "Draw the shape, say how the wood is put together, and walk to the machine knowing the next number to set."));
    lead->setWordWrap(true);
    lead->setMinimumHeight(66);
    lead->setProperty("role", "lead");
    left->addWidget(title);
    left->addWidget(lead);
    left->addSpacing(14);
    const std::pair<QString, QString> steps[] = {
        {tr("1 · Shape"), tr("choose a start, drag its outline")},
        {tr("2 · Build"), tr("layers, segments, woods")},
        {tr("3 · Cut"), tr("angles, edges, strips for the saw")},
        {tr("4 · Glue"), tr("an order that works, and why")},
        {tr("5 · Turn"), tr("stations, wall, speed")},
        {tr("6 · Finish"), tr("grits and coats, with their waits")},
        {tr("7 · Log"), tr("what was made, how long it took")},
        {tr("Print packet"), tr("all of it on paper, the template full size")}};
    QString html;
    for (const auto& [name, what] : steps)
        html += semibold(QStringLiteral("<p style='margin: 0 0 9px 0'><b>%1</b><br>%2</p>")).arg(name, what);
    auto* way = new QLabel(html);
    way->setWordWrap(true);
    left->addWidget(way);
    left->addStretch(1);
    said_ = new QLabel;
    said_->setProperty("role", "warn");
    said_->setWordWrap(true);
    said_->hide();
    left->addWidget(said_);
    back_ = new QPushButton(tr("Back to the bench"));
    connect(static_cast<QPushButton*>(back_), &QPushButton::clicked, this, &StartPage::back);
    left->addWidget(back_);
    auto* openButton = new QPushButton(icon("folder-open", theme().accent), tr("Open a piece …"));
    connect(openButton, &QPushButton::clicked, this, [this] { emit open({}); });
    left->addWidget(openButton);
    auto* recentTitle = new QLabel(tr("LATELY OPENED"));
    recentTitle->setProperty("role", "heading");
    left->addWidget(recentTitle);
    recent_ = new QVBoxLayout;
    left->addLayout(recent_);
}

void StartPage::addStarts(QVBoxLayout* right)
{
    auto* gridTitle = new QLabel(tr("Start from an outline"));
    gridTitle->setProperty("role", "title");
    right->addWidget(gridTitle);
    auto* grid = new QGridLayout;
    grid->setSpacing(14);
    outlines_ = {grid, {}, 6};
    for (const Start& s : starts()) {
        QPushButton* button = card(*pictures_, localized(s.name), localized(s.purpose), {110, 64}, s.make);
        connect(button, &QPushButton::clicked, this, [this, make = s.make] { emit start(make()); });
        outlines_.cards << button;
    }
    right->addLayout(grid);
    ownTitle_ = new QLabel(tr("Your own starts"));
    ownTitle_->setProperty("role", "title");
    right->addWidget(ownTitle_);
    own_ = {new QGridLayout, {}, 6};
    own_.grid->setSpacing(14);
    right->addLayout(own_.grid);
    setOwn({});
    right->addSpacing(8);
}

void StartPage::addSamples(QVBoxLayout* right)
{
    auto* sampleTitle = new QLabel(tr("Or look at a finished plan from the harbour museum"));
    sampleTitle->setProperty("role", "title");
    right->addWidget(sampleTitle);
    const std::pair<const char*, QString> samples[] = {{"regatta-cup", tr("a stem and twelve rings")},
                                                       {"lamp-stand", tr("staves on a base let in")},
                                                       {"flag-bowl", tr("bands, zigzags, diamonds")},
                                                       {"net-lantern", tr("open segments")},
                                                       {"ballast-dish", tr("rings from one striped board")},
                                                       {"chart-stand", tr("strips re-cut and turned")},
                                                       {"oar-grip", tr("three sides on three axes")},
                                                       {"flare-case", tr("seven sides by the index")},
                                                       {"belaying-pin", tr("a knob on a tilted axis")},
                                                       {"lead-tray", tr("a board that stays square")},
                                                       {"pilot-box", tr("four feet, and a lid")},
                                                       {"log-pen", tr("a barrel on its tube")},
                                                       {"bollard-vase", tr("end grain, a recessed foot")},
                                                       {"channel-mark-vase", tr("a log with its bark")},
                                                       {"gangway-bowl", tr("wings over an arch")},
                                                       {"gull-dish", tr("wings and a bark rim")},
                                                       {"keel-stand", tr("a board arched below")},
                                                       {"buoy-bowl", tr("three legs, a grid")},
                                                       {"signal-lantern", tr("turned inside out")},
                                                       {"rolling-float", tr("split, one half turned on")},
                                                       {"rodded-barrel", tr("bright rods cross its wall")},
                                                       {"tide-clock", tr("twelve brass markers let in")},
                                                       {"ballast-bowl", tr("a crack, filled")},
                                                       {"lamp-shade", tr("leaves sawn through its wall")},
                                                       {"plumb-bob", tr("a golden ellipse")},
                                                       {"boathook-grip", tr("a billet of equal boards")},
                                                       {"spyglass-barrel", tr("a wrap round a post")},
                                                       {"porthole-bangles", tr("rings parted from one blank")},
                                                       {"tide-basin", tr("half built, measured as it came out")}};
    auto* shelf = new QGridLayout;
    shelf->setSpacing(10);
    samples_ = {shelf, {}, 5};
    for (const auto& [id, purpose] : samples) {
        const QString name = QString::fromUtf8(id);
        QPushButton* sample = card(*pictures_, QString::fromStdString(demoPiece(name).name), purpose, {120, 104},
                                   [name] { return demoPiece(name); });
        connect(sample, &QPushButton::clicked, this, [this, name] { emit demo(name); });
        samples_.cards << sample;
    }
    right->addLayout(shelf, 1);
}

void StartPage::say(const QString& words)
{
    said_->setText(words);
    said_->setVisible(!words.isEmpty());
}

void StartPage::setReturn(bool possible) { back_->setVisible(possible); }

void StartPage::setRecent(const QStringList& paths)
{
    while (QLayoutItem* item = recent_->takeAt(0)) {
        delete item->widget();
        delete item;
    }
    if (paths.isEmpty()) {
        auto* none = new QLabel(tr("none yet"));
        none->setProperty("role", "quiet");
        recent_->addWidget(none);
    }
    constexpr QSize small(44, 34);
    for (const QString& path : paths.mid(0, 6)) {
        auto* button = new QPushButton(QFileInfo(path).completeBaseName());
        button->setProperty("role", "recent");
        button->setToolTip(path);
        button->setIconSize(small);
        pictures_->add(
            button, small, [path] { return io::loadPiece(path.toStdString()).piece; },
            [button](const QImage& drawn) { button->setIcon(QPixmap::fromImage(drawn)); });
        connect(button, &QPushButton::clicked, this, [this, path] { emit open(path); });
        recent_->addWidget(button);
    }
}

void StartPage::setOwn(const std::vector<OwnStart>& own)
{
    qDeleteAll(own_.cards);
    own_.cards.clear();
    ownTitle_->setVisible(!own.empty());
    for (const OwnStart& start : own) {
        QPushButton* button = card(*pictures_, QString::fromStdString(start.piece.name), tr("a start of your own"),
                                   {110, 64}, [piece = start.piece] { return piece; });
        connect(button, &QPushButton::clicked, this, [this, piece = start.piece] { emit this->start(piece); });
        auto* forget = new QAction(tr("Forget this start"), button);
        connect(forget, &QAction::triggered, this, [this, path = start.path] { emit this->forget(path); });
        button->addAction(forget);
        button->setContextMenuPolicy(Qt::ActionsContextMenu);
        button->setToolTip(tr("A press with the other button forgets it"));
        own_.cards << button;
    }
    arrange();
}

void StartPage::arrange()
{
    constexpr int least = 136;  // pixels that a card needs
    const int room = width() * 2 / 3 - 60;
    for (Shelf* shelf : {&outlines_, &own_, &samples_}) {
        if (!shelf->grid) continue;
        const int columns = std::clamp(room / least, 1, shelf->most);
        for (QWidget* card : shelf->cards) shelf->grid->removeWidget(card);
        for (int i = 0; i < shelf->cards.size(); ++i) shelf->grid->addWidget(shelf->cards[i], i / columns, i % columns);
    }
}

void StartPage::resizeEvent(QResizeEvent* event)
{
    QWidget::resizeEvent(event);
    arrange();
}

}  // namespace vl::app
