import fairkettle.devdb.ThrowawayPg;
import java.nio.file.Path;
import org.flywaydb.core.Flyway;
import org.jooq.codegen.GenerationTool;
import org.jooq.meta.jaxb.*;

/** Throw-away PostgreSQL on a free loopback port: Flyway migrate, jOOQ generate, stop. */
public class Codegen {
    public static void main(String[] a) throws Exception {
        Path migrations = Path.of(a[0]), out = Path.of(a[1]);
        String pkg = a[2];
        try (ThrowawayPg pg = ThrowawayPg.start()) {
            Flyway.configure()
                    .dataSource(pg.url(), "kettle", "")
                    .locations("filesystem:" + migrations)
                    .load()
                    .migrate();
            GenerationTool.generate(new Configuration()
                    .withLogging(Logging.WARN)
                    .withJdbc(new Jdbc()
                            .withDriver("org.postgresql.Driver")
                            .withUrl(pg.url())
                            .withUser("kettle")
                            .withPassword(""))
                    .withGenerator(new Generator()
                            .withDatabase(new Database()
                                    .withName("org.jooq.meta.postgres.PostgresDatabase")
                                    .withInputSchema("public")
                                    .withIncludes(".*")
                                    .withIncludeRoutines(false)
                                    .withForcedTypes(
                                            new ForcedType()
                                                    .withUserType("fairkettle.books.EntryKind")
                                                    .withConverter("fairkettle.db.EntryKindConverter")
                                                    .withIncludeExpression("entry\\.kind"),
                                            new ForcedType()
                                                    .withUserType("fairkettle.books.Cause")
                                                    .withEnumConverter(true)
                                                    .withIncludeExpression("entry\\.cause|gone\\.cause"))
                                    .withExcludes("flyway_schema_history|gbt_.*|gbtree.*"))
                            .withGenerate(new Generate()
                                    .withRecords(true)
                                    .withPojos(false)
                                    .withDaos(false))
                            .withTarget(new Target()
                                    .withPackageName(pkg)
                                    .withDirectory(out.toString())
                                    .withClean(true))));
        }
    }
}
