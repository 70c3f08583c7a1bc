package ebbtide.accounts;

import ebbtide.plan.Line;

/** What an account is made from that reads nothing but its own line and what all accounts read. */
record OwnReads(Line line, Frame frame) {}
