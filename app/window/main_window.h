#pragma once

#include "app/document/document.h"
#include "app/document/shop_keeper.h"
#include "app/window/drafts.h"
#include "report/packet.h"

#include <QMainWindow>
#include <QUrl>

#include <functional>

class QComboBox;
class QHBoxLayout;
class QLabel;
class QMenu;
class QMenuBar;
class QPushButton;
class QSplitter;
class QStackedWidget;
class QToolButton;

namespace vl::app {

class Bed;
class CautionPanel;
class Devices;
class ShapeStage;
class SolidView;
class Stage;
class StartPage;

/// How the window asks for a file: tests answer in the user's place.
struct FileAsker {
    std::function<QString(QWidget*, const QString& title, const QString& filter)> open;
    std::function<QString(QWidget*, const QString& title, const QString& suggested, const QString& filter)> save;
    /// One of several ways on, by its place; −1: none of them.
    std::function<int(QWidget*, const QString& words, const QStringList& ways)> choose;
    /// Opens a file or a folder with what the desktop has for it.
    std::function<void(const QUrl& place)> show;
    static FileAsker dialogs();
};

/// The one window: header, the stage at the left, solid and measures at the right, the bed below.
class MainWindow : public QMainWindow {
    Q_OBJECT
public:
    /// `dataFolder` holds drafts and the shop; settings live where QSettings puts them.
    explicit MainWindow(const QString& dataFolder, FileAsker asker = FileAsker::dialogs(), QWidget* parent = nullptr);
    ~MainWindow() override;

    Document& document() { return doc_; }
    SolidView& solid() { return *solid_; }
    Drafts& drafts() { return *drafts_; }
    /// Goes to a stage by its name, any case; "start" is the first page. False where there is none.
    bool goTo(const QString& stage);
    QStringList stageNames() const;
    /// Shows a page of the stage, where it has one of this name.
    void showPage(const QString& name);
    /// Shows a measure on the solid by its name; another name: nothing.
    void showMeasure(const std::string& name);
    bool openPath(const QString& path);
    bool openDemo(const QString& name);
    bool save();
    bool saveAs();
    bool saveTo(const QString& path);
    bool printPacket(const report::PacketChoice& choice);
    void sendToPrinter(const report::PacketChoice& choice);
    /// Shows the packet, page by page, before it is printed.
    void previewPacket();
    /// All of the packet, on the paper that is preferred.
    report::PacketChoice wholePacket() const;
    void exportFile();
    void savePicture();
    void editName();
    void editShop();
    void editMachines();
    void importRack();
    void takeDrawing(ShapeStage& shape);
    void takePicture();
    void exportRack();
    void exportLog();
    void exportBook();
    void importBook();
    void printLabel(int entry);
    void addPhoto(int entry);
    /// The plan at the machine, a card at a time: its steps, or one of its lists.
    void openBench(const QString& list);
    void openDevices();
    void exportCalendar();
    void setDark(bool dark);
    /// Brings back what an earlier session left unsaved, if the turner wants it.
    void offerRecovery();
    /// The last thing the window had to say: why something was refused, what was put right.
    QString message() const;

protected:
    void closeEvent(QCloseEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    /// A piece's file that is dropped is opened.
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;

private:
    QWidget* makeHeader();
    QWidget* makeBody();
    QWidget* makeSolidPanel();
    void makeStages();
    QWidget* makeFooter();
    void dressFirstPage();
    QMenuBar* makeMenus();
    void openHelp(const QString& heading);
    void makePieceMenu(QMenu* menu);
    void makeEditMenu(QMenu* menu);
    void makeViewMenu(QMenu* menu);
    void addUnits(QHBoxLayout* row);
    void takePreferences();
    void showIcons();
    void placeWindow();
    void fitHeader();
    void keepPlace() const;
    void nextPane(bool back);
    void refresh();
    void setStage(int index);
    void say(const QString& words);
    /// Says where something was written, with links to it and to its folder.
    void sayWritten(const QString& path, const QString& words = {});
    bool mayDiscard();
    /// Opens a piece in the turner's own shop, or in a lent one; false where it was canceled. Throws where it cannot
    /// be planned.
    bool openPiece(const Piece& piece, const QString& path, const std::optional<Shop>& lent = {});
    QString askWhere(const QString& title, const QString& name, const QString& ending, const QString& kind);
    QString startsFolder() const { return dataFolder_ + "/starts"; }
    /// The first page as things are now.
    void showStart();
    void keepStart();
    QStringList recent() const;
    void addRecent(const QString& path);
    void settleClash();
    void showStanding();
    bool mayLeaveBook();
    bool mayReplace(const QString& path);
    /// Plans the piece in a workshop that ships with the program; the turner's own rests.
    void lendShop(const QString& name);
    /// The turner's own shop again, after a lent one.
    void giveShopBack();
    void fillLentShops(QMenu* menu);
    /// The shop that came with a sample becomes the turner's.
    void keepLentShop();
    static QString lentWords();
    void tryTo(const std::function<void()>& action);

    QString dataFolder_;
    FileAsker ask_;
    Document doc_;
    ShopKeeper* keeper_ = nullptr;
    Devices* devices_ = nullptr;
    Drafts* drafts_ = nullptr;
    QStackedWidget *pages_ = nullptr, *lanes_ = nullptr, *panels_ = nullptr;
    StartPage* start_ = nullptr;
    QList<Stage*> stages_;
    QComboBox* measure_ = nullptr;
    SolidView* solid_ = nullptr;
    CautionPanel* cautions_ = nullptr;
    Bed* bed_ = nullptr;
    QMenu* printMenu_ = nullptr;
    QAction *undoAction_ = nullptr, *redoAction_ = nullptr;
    QLabel *edited_ = nullptr, *summary_ = nullptr, *message_ = nullptr, *standing_ = nullptr;
    QToolButton *title_ = nullptr, *undo_ = nullptr, *redo_ = nullptr;
    QList<QToolButton*> solidToggles_;
    QList<QSplitter*> splitters_;  // across, and down the right side
    QPushButton *cautionPill_ = nullptr, *print_ = nullptr, *next_ = nullptr;
    QList<QToolButton*> units_;
    bool everOpened_ = false;
    QTimer patience_;  ///< until a plan that is being made is spoken of
};

}  // namespace vl::app
