package ebbtide.formats.opening;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ebbtide.formats.budget.Sheet;
import ebbtide.money.Money;
import ebbtide.plan.CapitalSpending.Asset;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A register of fixed assets read from rows: what is owned, what is bought later, and how each is used up. */
class AssetListTest {
    private static AssetList read(String... rows) {
        return AssetList.read(
                new Sheet(
                        "S",
                        List.of(rows).stream()
                                .map(row -> List.of(row.split("\t")))
                                .toList()),
                LocalDate.of(2026, 3, 31),
                Money.currency("GBP"));
    }

    private static String words(Asset asset) {
        return asset.name() + " " + asset.cost()
                + (asset.owned() == null ? " bought" : " less " + asset.owned().depreciated())
                + " from " + asset.service() + " over " + asset.lifeMonths() + " to " + asset.residual() + " "
                + (asset.wear() == null
                        ? "as usual"
                        : asset.wear().by() + " " + asset.wear().yearly());
    }

    @Test
    void withAHeading_columnsInAnyOrder() {
        AssetList list = read(
                "Asset\tIn service\tCost\tAccumulated\tUseful life\t% a year\tMethod\tResidual value",
                "Crane\t15/06/2024\t6,000\t-1,000\t5\t\t\t200",
                "Press\t01/04/2025\t12,000.50\t4800\t5 years\t40%\tdeclining balance",
                "Desk\t31/01/2020\t900\t900\t60 months\t25",
                "Van\t01/06/2026\t30,000\t\t4",
                "Mixer\t01/06/2026\t3,000\t0\t4\t30\treducing",
                "Land\t01/06/1990\t70,000\t0\t0",
                "Meadow\t01/06/2026\t9,000\t0\t0",
                "Tools\t01/06/2024\t500\t100\t\t20",
                "\t\t");
        assertThat(list.problems()).isEmpty();
        assertThat(list.assets())
                .extracting(AssetListTest::words)
                .containsExactly(
                        "Crane 600000 less 100000 from 2024-06-15 over 60 to 20000 LIFE 0%",
                        "Press 1200050 less 480000 from 2025-04-01 over 60 to 0 BOOK 40%",
                        "Desk 90000 less 90000 from 2020-01-31 over 60 to 0 COST 25%",
                        "Van 3000000 bought from 2026-06-01 over 48 to 0 as usual",
                        "Mixer 300000 bought from 2026-06-01 over 48 to 0 BOOK 30%",
                        "Land 7000000 less 0 from 1990-06-01 over 60 to 0 as usual",
                        "Meadow 900000 bought from 2026-06-01 over 60 to 900000 as usual",
                        "Tools 50000 less 10000 from 2024-06-01 over 60 to 0 COST 20%");
    }

    @Test
    void withoutAHeading_columnsInTheirOrder_andEachRowThatCannotBeReadIsNamed() {
        AssetList list = read(
                "Crane\t6000\t1000\t2024-06-15\t60",
                "\t5\t0\t2024-01-01",
                "Shed\tmany\t0\t2024-01-01",
                "Boat\t500\t600\t2024-01-01\t60",
                "Hut\t500\t0\tonce",
                "Barn\t500\t10\t2027-01-01",
                "Crane\t1\t0\t2024-01-01\t60",
                "Hoist\t500\t0\t2024-01-01\ta while",
                "Quay\t500\t0\t2024-01-01",
                "Silo\t500\t400\t2020-03-31\t6 years");
        assertThat(list.assets()).extracting(Asset::name).containsExactly("Crane");
        assertThat(list.problems())
                .extracting(one -> one.row() + " " + one.sentence().replaceAll("[:,].*", ""))
                .containsExactly(
                        "2 This row has no name",
                        "3 'many' is no amount",
                        "4 depreciation so far is above the cost",
                        "5 'once' is no date on which 'Hut' came into use",
                        "6 'Barn' comes into use after the as-of date",
                        "7 Two assets are called 'Crane'",
                        "8 'a while' is no life",
                        "9 'Quay' has no life",
                        "10 'Silo' is past its life");
        assertThatThrownBy(() -> read("Name\tCost", "Crane\t500")).hasMessageContaining("'used from'");
    }
}
