package overturn.app.support;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Map;

/** A PostgreSQL cluster of one test, made by the command's own scripts, so that it can be killed. */
public final class OwnCluster {

    private static final String PROGRAMS = "PG_BIN=$(ls -d /usr/lib/postgresql/*/bin | sort -V | tail -1); ";

    private final Shell shell;

    /** With the roles and an empty database. */
    public OwnCluster() throws Exception {
        Path home = Files.createTempDirectory("overturn-cluster");
        Files.setPosixFilePermissions(home, PosixFilePermissions.fromString("rwxr-xr-x"));
        shell = new Shell(home);
        said("CLUSTER=\"$(cluster_home)/postgres\"; SETTINGS=\"$VAR/database.env\"; KEEPER_PASSWORD=$(random_password);"
                + " APP_PASSWORD=$(random_password); OWNER_PASSWORD=$(random_password); OPERATOR_TOKEN=x; DEMO_PASSWORD=x; DEMO_PIN=1;"
                + " DB_PORT=$(free_port 55117 400); write_settings \"$SETTINGS\"; make_cluster \"$CLUSTER\" \"$KEEPER_PASSWORD\" >/dev/null;"
                + " run_cluster \"$CLUSTER\" \"$DB_PORT\" >/dev/null; make_database");
    }

    /** What a script says that must succeed; {@code use_database} in it knows this cluster. */
    public String said(String script) throws Exception {
        Shell.Said said = shell.run(PROGRAMS + script);
        assertEquals(0, said.code(), said.text());
        return said.text();
    }

    /** The answer to a question, asked as the keeper of the cluster. */
    public String asked(String sql) throws Exception {
        return said("use_database; keeper_sql \"" + sql + "\" overturn");
    }

    /** What a server needs to work on it. */
    public Map<String, String> environment() throws Exception {
        String[] told = said("use_database; echo $DB_PORT $APP_PASSWORD $OWNER_PASSWORD")
                .split(" ");
        return Map.of(
                "OVERTURN_DB_URL",
                "jdbc:postgresql://127.0.0.1:" + told[0] + "/overturn",
                "OVERTURN_DB_USER",
                "overturn",
                "OVERTURN_DB_PASSWORD",
                told[1],
                "OVERTURN_DB_OWNER",
                "overturn_owner",
                "OVERTURN_DB_OWNER_PASSWORD",
                told[2]);
    }

    /** As a crash of the machine leaves it. */
    public void kill() throws Exception {
        said("use_database; (cd / && \"${PG_USER_RUN[@]}\" \"$PG_BIN/pg_ctl\" -D \"$CLUSTER\" -w -m immediate stop)");
    }

    public void start() throws Exception {
        said("use_database; run_cluster \"$CLUSTER\" \"$DB_PORT\" >/dev/null");
    }

    /** Ends it and throws it away. */
    public void close() throws Exception {
        shell.run(PROGRAMS + "use_database; halt_cluster \"$CLUSTER\"; rm -rf \"$CLUSTER\"");
    }
}
