package ebbtide.activity;

/** What a method reads of another line: its name, and its monthly amounts net of sales tax (rules 3.1). */
record OtherLine(String name, MonthlyActivity net) {}
