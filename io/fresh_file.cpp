#include "io/fresh_file.h"

#include "core/measure/input_error.h"

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include <algorithm>
#include <array>
#include <cerrno>
#include <climits>
#include <csignal>
#include <cstring>

namespace vl::io {
namespace {

constexpr const char* wanted = "a place that can be written to, with room on it, is";

/// The temporary name of the file that is being written, for the signal's handler: one at a time.
std::array<char, PATH_MAX> leftover{};

void endBySignal(int signal)
{
    if (leftover[0]) ::unlink(leftover.data());
    std::signal(signal, SIG_DFL);
    std::raise(signal);
}

std::string folderOf(const std::string& path)
{
    const size_t slash = path.rfind('/');
    return slash == std::string::npos ? "." : slash == 0 ? "/" : path.substr(0, slash);
}

/// Where a link points to, so that what it names is replaced, or made, and not the link.
std::string resolved(const std::string& path)
{
    std::array<char, PATH_MAX> real{};
    if (::realpath(path.c_str(), real.data())) return real.data();
    std::string at = path;
    constexpr int mostLinks = 40;
    for (int k = 0; k < mostLinks; ++k) {
        const ssize_t n = ::readlink(at.c_str(), real.data(), real.size());
        if (n <= 0) break;
        const std::string to(real.data(), static_cast<size_t>(n));
        at = to.starts_with('/') ? to : folderOf(at) + "/" + to;
    }
    return at;
}

}  // namespace

FreshFile::FreshFile(std::string path) : path_(std::move(path))
{
    struct stat there {};
    const bool exists = ::stat(path_.c_str(), &there) == 0;
    if (exists && S_ISDIR(there.st_mode)) throw InputError(path_, "a folder", "a file is");
    device_ = exists && !S_ISREG(there.st_mode);
    const mode_t mask = ::umask(0);
    ::umask(mask);
    mode_ = exists ? there.st_mode & 07777 : 0666 & ~mask;
    if (device_)
        file_ = ::open(path_.c_str(), O_WRONLY | O_CLOEXEC);
    else {
        const std::string target = resolved(path_);
        folder_ = folderOf(target);
        file_ = ::open(folder_.c_str(), O_TMPFILE | O_WRONLY | O_CLOEXEC, 0600);
        if (file_ < 0 && (errno == EOPNOTSUPP || errno == EISDIR || errno == ENOENT || errno == EINVAL)) {
            named_ = folder_ + "/.vivid-XXXXXX";  // short, however long the file's own name is
            file_ = ::mkostemp(named_.data(), O_CLOEXEC);
            if (file_ < 0) named_.clear();
            if (named_.size() < leftover.size()) std::strcpy(leftover.data(), named_.c_str());
        }
    }
    if (file_ < 0) fail(std::strerror(errno));
    setOpenMode(QIODevice::WriteOnly | QIODevice::Unbuffered);
}

FreshFile::~FreshFile()
{
    if (file_ >= 0) ::close(file_);
    if (named_.empty()) return;
    ::unlink(named_.c_str());
    leftover[0] = 0;
}

void FreshFile::fail(const std::string& why) const { throw InputError(path_, why, wanted); }

std::string FreshFile::writersPath() const
{
    return named_.empty() ? "/proc/self/fd/" + std::to_string(file_) : named_;
}

qint64 FreshFile::size() const { return written_; }

qint64 FreshFile::writeData(const char* data, qint64 size)
{
    // QPdfWriter looks at no result: what fails once is remembered.
    const qint64 at = pos();
    for (qint64 done = 0; done < size && !error_;) {
        const auto rest = static_cast<size_t>(size - done);
        const ssize_t n = device_ ? ::write(file_, data + done, rest) : ::pwrite(file_, data + done, rest, at + done);
        if (n < 0 && errno == EINTR) continue;
        if (n <= 0)
            error_ = n < 0 ? errno : ENOSPC;
        else
            done += n;
    }
    if (error_) {
        setErrorString(QString::fromUtf8(std::strerror(error_)));
        return -1;
    }
    written_ = std::max(written_, at + size);
    return size;
}

void FreshFile::commit(std::string_view ending)
{
    if (error_) fail(std::strerror(error_));
    if (device_) {
        if (::close(std::exchange(file_, -1)) != 0) fail(std::strerror(errno));
        return;
    }
    struct stat made {};
    if (::fsync(file_) != 0 || ::fstat(file_, &made) != 0) fail(std::strerror(errno));
    if (ending.empty() && made.st_size != written_) fail("a part of it only was written");
    if (!ending.empty()) {
        // Another stream wrote it, which stops at the first failure: it is whole if its end is there.
        const std::string own = "/proc/self/fd/" + std::to_string(file_);
        const int reader = ::open(own.c_str(), O_RDONLY | O_CLOEXEC);
        std::string tail(ending.size(), 0);
        const off_t from = made.st_size - static_cast<off_t>(ending.size());
        const bool whole = reader >= 0 && from >= 0 &&
                           ::pread(reader, tail.data(), tail.size(), from) == static_cast<ssize_t>(tail.size()) &&
                           tail == ending;
        if (reader >= 0) ::close(reader);
        if (!whole) fail("no room left");
    }
    if (::fchmod(file_, mode_) != 0) fail(std::strerror(errno));
    const std::string target = resolved(path_);
    if (named_.empty()) {
        // A link cannot take a name that is there: it gets a name of its own first.
        const std::string own = "/proc/self/fd/" + std::to_string(file_);
        for (int k = 0; named_.empty(); ++k) {
            const std::string name = folder_ + "/.vivid-" + std::to_string(::getpid()) + "-" + std::to_string(k);
            if (::linkat(AT_FDCWD, own.c_str(), AT_FDCWD, name.c_str(), AT_SYMLINK_FOLLOW) == 0)
                named_ = name;
            else if (errno != EEXIST || k > 1000)
                fail(std::strerror(errno));
        }
        if (named_.size() < leftover.size()) std::strcpy(leftover.data(), named_.c_str());
    }
    if (::rename(named_.c_str(), target.c_str()) != 0) fail(std::strerror(errno));
    named_.clear();
    leftover[0] = 0;
    if (const int folder = ::open(folder_.c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC); folder >= 0) {
        ::fsync(folder);  // so that the new name is there after a power cut
        ::close(folder);
    }
}

void removeLeftoversOnSignals()
{
    for (const int signal : {SIGTERM, SIGINT, SIGHUP}) std::signal(signal, endBySignal);
    std::signal(SIGXFSZ, SIG_IGN);
}

}  // namespace vl::io
