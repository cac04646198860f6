#include "app/stages/build/paint_panel.h"

#include "app/fields/wood_picker.h"
#include "app/theme/theme.h"
#include "core/measure/input_error.h"
#include "core/piece/edits/picture.h"
#include "report/drawing.h"

#include <QCheckBox>
#include <QDoubleSpinBox>
#include <QFileInfo>
#include <QImageReader>
#include <QSpinBox>

namespace vl::app {

PaintPanel::PaintPanel(Document& document, QWidget* parent) : QWidget(parent), doc_(document)
{
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(4);
    auto* line = new QHBoxLayout;
    take_ = new QPushButton(icon("paintbrush", theme().accent), tr("Take up a wood"));
    take_->setObjectName("brush");
    auto* drop = new QPushButton(icon("mouse-pointer-2", theme().accent), {});
    drop->setObjectName("drop-brush");
    drop->setAccessibleName(tr("Put the wood down, choose segments again"));
    drop->setToolTip(drop->accessibleName());
    line->addWidget(take_, 1);
    line->addWidget(drop);
    column->addLayout(line);
    auto* spread = new QHBoxLayout;
    symmetry_ = new QSpinBox;
    symmetry_->setRange(1, static_cast<int>(limits::segments.high));
    symmetry_->setAccessibleName(tr("Symmetry: equal turns painted together"));
    symmetry_->setToolTip(symmetry_->accessibleName());
    symmetry_->setSuffix(tr(" × round"));
    slant_ = new QDoubleSpinBox;
    slant_->setRange(-8, 8);
    slant_->setSingleStep(0.5);
    slant_->setDecimals(1);
    slant_->setPrefix(tr("slant "));
    slant_->setAccessibleName(tr("Slant: segments on from each chosen layer to the next"));
    slant_->setToolTip(slant_->accessibleName());
    mirror_ = new QCheckBox(tr("mirror"));
    spread->addWidget(symmetry_, 1);
    spread->addWidget(slant_, 1);
    spread->addWidget(mirror_);
    column->addLayout(spread);
    auto* more = new QHBoxLayout;
    copy_ = new QPushButton(tr("Copy this ring"));
    copy_->setObjectName("copy-ring");
    auto* picture = new QPushButton(tr("Lay a picture …"));
    picture->setObjectName("picture");
    more->addWidget(copy_, 1);
    more->addWidget(picture, 1);
    column->addLayout(more);
    said_ = new QLabel;
    said_->setWordWrap(true);
    said_->setProperty("role", "quiet");
    said_->hide();
    column->addWidget(said_);

    connect(take_, &QPushButton::clicked, this, [this] {
        chooseWood(doc_, take_, [this](const std::string& wood) {
            brush_.wood = wood;
            changed();
        });
    });
    connect(drop, &QPushButton::clicked, this, &PaintPanel::putDown);
    connect(symmetry_, &QSpinBox::valueChanged, this, &PaintPanel::changed);
    connect(slant_, &QDoubleSpinBox::valueChanged, this, &PaintPanel::changed);
    connect(mirror_, &QCheckBox::toggled, this, &PaintPanel::changed);
    connect(copy_, &QPushButton::clicked, this, &PaintPanel::copyFrom);
    connect(picture, &QPushButton::clicked, this, &PaintPanel::pictureWanted);
    connect(&doc_, &Document::selectionChanged, this, [this] {
        if (copied_ >= 0) copy_->setText(tr("Paste ring %1 here").arg(copied_ + 1));
    });
}

void PaintPanel::putDown()
{
    brush_.wood.clear();
    changed();
}

void PaintPanel::changed()
{
    brush_.symmetry = symmetry_->value();
    brush_.mirror = mirror_->isChecked();
    brush_.slant = slant_->value();
    take_->setText(brush_.wood.empty() ? tr("Take up a wood")
                                       : tr("Painting: %1").arg(localized(speciesOf(brush_.wood).name)));
    take_->setIcon(brush_.wood.empty() ? icon("paintbrush", theme().accent)
                                       : QIcon(woodSwatch(speciesOf(brush_.wood), {20, 20})));
    emit brushChanged(brush_);
}

/// The first press takes the chosen ring up, the second lays it onto what is chosen then.
void PaintPanel::copyFrom()
{
    const Selection& s = doc_.selection();
    if (copied_ < 0 || copied_ >= static_cast<int>(doc_.piece().layers.size())) {
        copied_ = s.layer;
        copy_->setText(tr("now choose rings"));
        return;
    }
    doc_.apply(tr("copy ring"), [&](Piece p) { return pattern::copyRing(std::move(p), copied_, s.layers); });
    copied_ = -1;
    copy_->setText(tr("Copy this ring"));
}

void PaintPanel::layPicture(const QString& path)
{
    said_->show();
    QImageReader reader(path);
    reader.setAutoTransform(true);
    const QImage read = reader.read();
    if (read.isNull())
        return said_->setText(
            tr("%1 cannot be read as a picture: %2").arg(QFileInfo(path).fileName(), reader.errorString()));
    const QImage image =
        read.convertToFormat(QImage::Format_RGB32).scaled(720, 720, Qt::KeepAspectRatio, Qt::SmoothTransformation);
    Picture picture;
    picture.width = image.width();
    picture.height = image.height();
    for (int y = 0; y < picture.height; ++y)
        for (int x = 0; x < picture.width; ++x) {
            const QColor c = image.pixelColor(x, y);
            picture.pixels.push_back({c.redF(), c.greenF(), c.blueF()});
        }
    const Selection& s = doc_.selection();
    const bool some = s.layers.size() > 1;
    const int first = some ? *s.layers.begin() : 0,
              last = some ? *s.layers.rbegin() : static_cast<int>(doc_.piece().layers.size()) - 1;
    // The woods that the piece has already; a piece of one wood gets the darkest and the lightest beside it.
    std::set<std::string> woods;
    for (const Layer& l : doc_.piece().layers) woods.insert(l.woods.begin(), l.woods.end());
    if (woods.size() < 2) woods.insert({"maple", "walnut"});
    try {
        PictureFit fit;
        const double radius = doc_.plan().shape.greatestDiameter / 2;
        const Piece next = vl::layPicture(doc_.piece(), picture, first, last, {woods.begin(), woods.end()}, 0, radius,
                                          doc_.shop().leastEdge, &fit);
        if (doc_.applyInstead(tr("lay a picture"), doc_.piece(), next))
            said_->setText(tr("%1 segments show it best, in %2 woods; mean color difference %3.")
                               .arg(fit.segments)
                               .arg(woods.size())
                               .arg(fit.error, 0, 'f', 1));
    } catch (const InputError& e) {
        said_->setText(QString::fromStdString(e.what()));
    }
}

}  // namespace vl::app
