// The proof standing still, as figures: what was got beside what this job expects.
#include "figures/groups.hpp"
#include "protocol/right.hpp"

namespace yoke::groups {

namespace {

Message beside(const ProofPress& p) {
  std::vector<Message> parts;
  const auto add = [&](const std::optional<double>& v, auto words) {
    if (v) parts.push_back(words(amount(*v, p.kind, p.digits)));
  };
  add(p.expect, [](Amount v) { return say("expected {}", v); });
  if (p.low && p.high)
    parts.push_back(say("8 in 10 between {} and {}", amount(*p.low, p.kind, p.digits),
                        amount(*p.high, p.kind, p.digits)));
  add(p.least, [](Amount v) { return say("at least {}", v); });
  add(p.most, [](Amount v) { return say("at most {}", v); });
  if (!p.says.empty()) parts.push_back(p.says);
  return joined(parts, "; ");
}

}  // namespace

FigureGroup proof(const FigureInputs& in) {
  FigureGroup g;
  g.title = "The proof standing still";
  g.source = "this job's own figures; limits are common practice";
  for (const ProofPress& p : proof_protocol(*in.job, unsettled_strip(*in.job), {})) {
    // Gates are told under Prove, with what holds them.
    if (p.state == ProofState::not_asked || p.where == ProofWhere::gate) continue;
    const bool bad = p.state == ProofState::off || p.state == ProofState::stop;
    if (p.got && (p.state == ProofState::good || bad))
      g.figures.push_back(judged(p.name, *p.got, p.kind, p.digits, !bad, beside(p)));
    else if (p.got)
      g.figures.push_back(told(p.name, *p.got, p.kind, p.digits, beside(p)));
    else if (p.number && p.expect)
      g.figures.push_back(unsaid(p.name, say("not pressed yet: {}", beside(p))));
  }
  const RightRecord right = right_record(in.job->foretold);
  if (!right.says.empty()) {
    g.figures.push_back(told("Held what was foretold", right.share, Kind::fraction, 0, right.says));
    g.figures.push_back(told("Came more than foretold", right.bias, Kind::number, 2,
                             "mean, in standard uncertainties"));
  }
  return g;
}

}  // namespace yoke::groups
