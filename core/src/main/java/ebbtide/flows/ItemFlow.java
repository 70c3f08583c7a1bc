package ebbtide.flows;

import ebbtide.items.ExpectedItem;

/** An open item with what it was forecast to pay on its day, signed: less what was taken as paid on account. */
public record ItemFlow(ExpectedItem item, long minor) {}
