#include "core/order/workpiece_writer.h"

namespace vl {

void WorkpieceWriter::step(Action action, const std::string& id, const std::string& gives, StepSpec doing)
{
    now_ = bench_.step(action, id, {now_}, gives, std::move(doing));
}

void WorkpieceWriter::does(Operations& all, Work work, Access access, std::function<void()> how, int number)
{
    all.add(Operation{work, access, number, [this, how = std::move(how)](Bench&, const WorkItem& now) {
                          now_ = now;
                          how();
                          return now_;
                      }});
}

void WorkpieceWriter::offers(Operations& all, Mounting mounting, std::function<void(const Moment&)> how)
{
    mounting.write = [this, how = std::move(how)](Bench&, const WorkItem& now, const Moment& moment) {
        now_ = now;
        how(moment);
        return now_;
    };
    all.add(std::move(mounting));
}

}  // namespace vl
