#include "app/solid/film_bar.h"

#include "app/theme/theme.h"

#include <QLabel>
#include <QSignalBlocker>
#include <QSlider>
#include <QToolButton>
#include <QVBoxLayout>

namespace vl::app {

FilmBar::FilmBar(Document& document, SolidScene& scene, QWidget* parent)
    : QWidget(parent), doc_(document), scene_(scene)
{
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(12, 0, 12, 4);
    column->setSpacing(0);
    auto* row = new QHBoxLayout;
    const auto button = [&](const QString& name, const QString& words) {
        auto* b = new QToolButton;
        b->setText(name);
        b->setToolTip(words);
        b->setAccessibleName(words);
        b->setProperty("role", "small");
        b->setCheckable(true);
        return b;
    };
    play_ = button(tr("play"), tr("Watch the piece come to be, step by step"));
    roll_ = button(tr("roll"), tr("Let the finished piece roll down a slope"));
    roll_->setObjectName("roll");
    slider_ = new QSlider(Qt::Horizontal);
    slider_->setObjectName("film");
    slider_->setAccessibleName(tr("Step of the recipe that the solid shows"));
    row->addWidget(play_);
    row->addWidget(slider_, 1);
    row->addWidget(roll_);
    column->addLayout(row);
    said_ = new QLabel;
    said_->setProperty("role", "quiet");
    said_->setAlignment(Qt::AlignCenter);
    said_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
    column->addWidget(said_);
    constexpr int beat = 350;  // ms
    beat_.setInterval(beat);
    connect(&beat_, &QTimer::timeout, this, [this] {
        if (slider_->value() < slider_->maximum()) return slider_->setValue(slider_->value() + 1);
        play_->setChecked(false);
    });
    connect(play_, &QToolButton::toggled, this, &FilmBar::play);
    connect(slider_, &QSlider::valueChanged, this, &FilmBar::show);
    connect(roll_, &QToolButton::toggled, this, [this](bool on) {
        play_->setChecked(false);
        if (on) slider_->setValue(slider_->maximum());
        scene_.setRolling(on);
    });
    connect(&scene_, &SolidScene::optionsChanged, this, [this] { roll_->setChecked(scene_.rolling()); });
    connect(&doc_, &Document::changed, this, &FilmBar::documentChanged);
    connect(&doc_, &Document::selectionChanged, this, [this] {
        // A step chosen elsewhere: the piece as it is once that is done.
        if (doc_.selection().step == step_) return;
        step_ = doc_.selection().step;
        const auto& order = doc_.plan().schedule.order;
        for (size_t k = 0; k < order.size(); ++k)
            if (doc_.plan().assembly.recipe[order[k]].id == step_) slider_->setValue(static_cast<int>(k) + 1);
    });
    documentChanged();
}

void FilmBar::documentChanged()
{
    const int steps = static_cast<int>(doc_.plan().schedule.order.size());
    const bool atEnd = slider_->value() == slider_->maximum();
    {
        const QSignalBlocker quiet(slider_);
        // One further than all of its steps: the finished piece as every other view has it.
        slider_->setRange(1, steps + 1);
        if (atEnd || scene_.workState() < 0) slider_->setValue(steps + 1);
    }
    roll_->setVisible(doc_.piece().split.on);
    show(slider_->value());
}

void FilmBar::show(int steps)
{
    const int all = static_cast<int>(doc_.plan().schedule.order.size());
    scene_.setWorkState(steps > all ? -1 : steps);
    said_->setText(said_->fontMetrics().elidedText(said(), Qt::ElideRight, std::max(60, said_->width())));
    said_->setToolTip(said());
}

QString FilmBar::said() const
{
    const auto& order = doc_.plan().schedule.order;
    const int at = slider_->value();
    if (at < 1 || at > static_cast<int>(order.size())) return tr("finished");
    const Step& step = doc_.plan().assembly.recipe[order[static_cast<size_t>(at - 1)]];
    return tr("%1 of %2: %3").arg(at).arg(order.size()).arg(QString::fromStdString(print(step.title, doc_.style())));
}

void FilmBar::play(bool on)
{
    if (!on) return beat_.stop();
    if (slider_->value() == slider_->maximum()) slider_->setValue(1);
    beat_.start();
}

}  // namespace vl::app
