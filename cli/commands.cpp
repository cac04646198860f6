#include "cli/commands.h"

#include "cli/reckon.h"
#include "core/measure/format.h"
#include "core/measure/input_error.h"
#include "core/piece/records/field_items.h"
#include "core/plan/boards/board_plan.h"
#include "core/plan/plan.h"
#include "io/export.h"
#include "io/files.h"
#include "io/plan_json.h"
#include "report/packet.h"

#include <CLI/CLI.hpp>

#include <filesystem>
#include <iostream>

namespace vl::cli {
namespace {

constexpr int done = 0, badWords = 2, badInput = 3, mustStop = 4;
struct Options {
    std::string piece, shop, out, paper = "a4";
    std::string step;
    bool maps = false;
};

Shop shopOf(const Options& o) { return o.shop.empty() ? Shop{} : io::loadShop(o.shop); }

/// Loads the piece and says on `err` what was put right in it.
Piece pieceOf(const Options& o, std::ostream& err)
{
    io::LoadedPiece loaded = io::loadPiece(o.piece);
    for (const std::string& note : loaded.notes) err << o.piece << ": repaired: " << oneLine(note) << "\n";
    return loaded.piece;
}

/// Throws UsageError, before any work is done, where what is asked for cannot be written there.
void checkOut(const Options& o, bool packet)
{
    if (packet ? !o.out.ends_with(".pdf") : o.step.empty() && !io::canExport(o.out))
        throw UsageError("--out " + o.out + ": " +
                         (packet ? "it must end in .pdf" : io::exportEndings() + " can be written"));
    for (const std::string& in : {o.piece, o.shop}) {
        std::error_code none;
        if (!in.empty() && std::filesystem::equivalent(in, o.out, none))
            throw UsageError("--out " + o.out + ": that is the file that is read; another name is needed");
    }
}

int statusOf(const Plan& plan) { return plan.mustStop() ? mustStop : done; }

void exportTo(const std::string& path, const std::string& step, const Piece& piece, const Shop& shop, const Plan& plan)
{
    if (!step.empty()) return io::exportWorkState(piece, shop, plan, step, path);
    io::exportPiece(piece, plan, path);
}

int check(const Options& o, std::ostream& out, std::ostream& err)
{
    const Plan plan = makePlan(pieceOf(o, err), shopOf(o));
    for (const Caution& c : plan.cautions) {
        out << levelName(c.level) << ": " << c.at << ": " << print(c.message);
        for (size_t i = 0; i < c.fixes.size(); ++i) out << (i ? "; or " : ". Fix: ") << print(c.fixes[i].label);
        out << "\n";
    }
    return statusOf(plan);
}

/// One line for each field of the records that begin here.
template <class T> void describe(const T& record, const std::string& at, std::string& out)
{
    for (const FieldItem& item : itemsOf(record)) {
        const Field& f = item.field;
        out += "  " + at + item.path + ": " + f.words + (*f.help ? std::string(", ") + f.help : "");
        if (f.kind == Field::Kind::Number || f.kind == Field::Kind::Count)
            out += "; " + exact(f.limit.low) + " to " + exact(f.limit.high) +
                   (*f.limit.unit ? std::string(" ") + f.limit.unit : "");
        std::string names;
        for (const Choice& c : item.choices) names += (names.empty() ? "; " : ", ") + std::string(c.name);
        out += names + "\n";
    }
}

/// Every field of a piece file, from its declaration.
std::string fieldHelp()
{
    std::string out;
    describe(Piece{}, "", out);
    describe(Node{}, "outside[].", out);
    Layer layer;
    describe(layer, "layers[].", out);
    for (size_t kind = 0; kind < layerKinds().size(); ++kind) {
        layer = asKind(layer, kind);
        out += "  layers[] of kind '" + std::string(layerKinds()[kind].name) + "':\n";
        std::visit([&](const auto& form) { describe(form, "  form.", out); }, layer.form);
    }
    return out;
}

/// What was asked for, on `out`; the exit status.
int answer(int argc, const char* const* argv, std::ostream& out, std::ostream& err)
{
    CLI::App app{"Vivid Lathe: plans of built-up turnings, for scripts", "vivid-lathe-cli"};
    app.require_subcommand(1);
    Options o;
    auto sub = [&](const char* name, const std::string& what) {
        CLI::App* s = app.add_subcommand(name, what);
        s->add_option("PIECE", o.piece, "a .vlathe file")->required();
        s->add_option("--shop", o.shop, "a shop file (JSON)");
        return s;
    };
    CLI::App* planCommand = sub("plan", "the whole plan as JSON on standard output");
    CLI::App* packetCommand = sub("packet", "the printed packet");
    packetCommand->add_option("--out", o.out, "FILE.pdf")->required();
    packetCommand->add_option("--paper", o.paper, "a4 or letter")->check(CLI::IsMember({"a4", "letter"}));
    CLI::App* exportCommand = sub("export", io::exportEndings() + ", as the file's ending says");
    exportCommand->add_option("--out", o.out, "FILE.EXT")->required();
    exportCommand->add_option("--step", o.step, "a step of the plan: the workpiece then, as stl, obj, 3mf or png");
    planCommand->add_flag("--maps", o.maps, "end grain, short grain, joints, movement, wall and tool marks too");
    CLI::App* checkCommand = sub("check", "validate; cautions, one a line");
    checkCommand->footer([] { return "What a piece holds, and how much:\n" + fieldHelp(); });
    CLI::App* schemaCommand = app.add_subcommand("schema", "the JSON schema of piece files");
    CLI::App* reckonCommand = app.add_subcommand("reckon", "one calculation as JSON: reckon KIND key=value ...");
    reckonCommand->set_help_flag();
    reckonCommand->prefix_command();

    try {
        app.parse(argc, argv);
        if (reckonCommand->parsed()) {
            std::vector<std::string> words = reckonCommand->remaining();
            if (words.empty() || words[0] == "--help" || words[0] == "-h") {
                for (const std::string& kind : reckonKinds()) out << reckonHelp(kind) << "\n";
                return words.empty() ? badWords : done;
            }
            const std::string kind = words[0];
            words.erase(words.begin());
            if (std::ranges::any_of(words, [](const std::string& w) { return w == "--help" || w == "-h"; })) {
                out << reckonHelp(kind);
                return done;
            }
            out << reckon(kind, words);
            return done;
        }
        if (schemaCommand->parsed()) {
            out << io::pieceSchema();
            return done;
        }
        if (checkCommand->parsed()) return check(o, out, err);
        if (packetCommand->parsed() || exportCommand->parsed()) checkOut(o, packetCommand->parsed());
        const Piece piece = pieceOf(o, err);
        const Shop shop = shopOf(o);
        const Plan plan = makePlan(piece, shop);
        if (planCommand->parsed())
            out << io::writePlan(piece, shop, plan, planBoards(piece, shop, plan.assembly), o.maps);
        if (packetCommand->parsed()) {
            io::replaceFile(o.out, [&](QIODevice& file) {
                report::writePacket(piece, shop, plan, planBoards(piece, shop, plan.assembly), {},
                                    o.paper == "letter" ? report::Paper::Letter : report::Paper::A4, file);
            });
        }
        if (exportCommand->parsed()) exportTo(o.out, o.step, piece, shop, plan);
        return statusOf(plan);
    } catch (const CLI::ParseError& e) {
        return app.exit(e, out, err) == 0 ? done : badWords;
    } catch (const UsageError& e) {
        err << "vivid-lathe-cli: " << oneLine(e.what(), 2000) << "\n";
        return badWords;
    } catch (const std::exception& e) {
        err << oneLine(e.what(), 2000) << "\n";
        return badInput;
    }
}

}  // namespace

int run(int argc, const char* const* argv, std::ostream& out, std::ostream& err)
{
    const int status = answer(argc, argv, out, err);
    if (out.flush()) return status;
    err << "standard output: it cannot be written to; a place with room for the answer is needed\n";
    return badInput;
}

}  // namespace vl::cli
