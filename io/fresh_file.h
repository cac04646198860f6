#pragma once

#include <QIODevice>

#include <string>

namespace vl::io {

/// A file that takes the place of another only once it is known to be whole. Until then it has no name, where the file
/// system can hold such a file, so that nothing is left behind if the program ends; where it cannot, its name is taken
/// away by the destructor and by removeLeftoversOnSignals(). A device or a pipe is written to where it is.
///
/// What is written is never read back into memory.
class FreshFile final : public QIODevice {
public:
    /// Throws InputError, with the system's reason, where nothing can be written beside `path`.
    explicit FreshFile(std::string path);
    ~FreshFile() override;

    bool isDevice() const { return device_; }
    /// A path under which a writer that asks for one finds this file.
    std::string writersPath() const;
    /// Throws InputError where anything was not written, or the file does not end in `ending`; puts it in place.
    void commit(std::string_view ending = {});

    qint64 size() const override;
    bool isSequential() const override { return false; }

protected:
    qint64 readData(char*, qint64) override { return -1; }
    qint64 writeData(const char* data, qint64 size) override;

private:
    [[noreturn]] void fail(const std::string& why) const;

    std::string path_, folder_, named_;  // named_: the temporary name, empty where it has none
    int file_ = -1;
    bool device_ = false;
    int error_ = 0;       // errno of the first write that failed
    qint64 written_ = 0;  // the farthest place that was written to
    unsigned mode_ = 0;
};

/// Takes away a temporary file that still has a name when SIGTERM, SIGINT or SIGHUP ends the program, and lets a write
/// beyond the allowed size of files fail instead of ending it. Once, at the beginning of main().
void removeLeftoversOnSignals();

}  // namespace vl::io
