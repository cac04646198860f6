// The application as a script starts it.
#include <QDir>
#include <QImage>
#include <QProcess>
#include <QTemporaryDir>

#include <gtest/gtest.h>

namespace {

int statusOf(const QStringList& words)
{
    QProcess process;
    process.start(VIVID_APP_PROGRAM, words);
    EXPECT_TRUE(process.waitForFinished(120000));
    EXPECT_EQ(process.exitStatus(), QProcess::NormalExit) << "it crashed";
    return process.exitCode();
}

}  // namespace

TEST(Program, DrawsAStageWithoutADisplay)
{
    QTemporaryDir folder;
    qputenv("XDG_CONFIG_HOME", folder.path().toUtf8());
    const QString picture = folder.filePath("build.png");
    QProcess process;
    QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
    environment.insert("QT_QPA_PLATFORM", "offscreen");
    process.setProcessEnvironment(environment);
    process.start(VIVID_APP_PROGRAM, {"--demo", "--stage", "build", "--screenshot", picture});
    ASSERT_TRUE(process.waitForFinished(60000));
    EXPECT_EQ(process.exitCode(), 0);
    EXPECT_EQ(QImage(picture).size(), QSize(1280, 800));
    EXPECT_EQ(statusOf({"--stage", "dance", "--screenshot", picture}), 2);
    EXPECT_EQ(statusOf({"/no/such/piece.vlathe", "--screenshot", picture}), 3);
}

TEST(Program, SaysThatADisplayDoesNotAnswer)
{
    QProcess process;
    QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
    environment.remove("QT_QPA_PLATFORM");
    environment.remove("WAYLAND_DISPLAY");
    environment.insert("DISPLAY", ":4711");
    process.setProcessEnvironment(environment);
    process.start(VIVID_APP_PROGRAM, {});
    ASSERT_TRUE(process.waitForFinished(60000));
    EXPECT_EQ(process.exitStatus(), QProcess::NormalExit) << "not an abort";
    EXPECT_EQ(process.exitCode(), 3);
    EXPECT_NE(process.readAllStandardError().indexOf("':4711' does not answer"), -1);
}
