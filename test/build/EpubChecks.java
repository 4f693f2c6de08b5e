import com.adobe.epubcheck.tool.EpubChecker;

/** Checks the EPUB files that are named, one after the other; the line before a file's remarks is its name. */
public class EpubChecks {
  public static void main(String[] files) {
    int worst = 0;
    for (String file : files) {
      System.err.println("== " + file);
      worst = Math.max(worst, new EpubChecker().run(new String[] {"-q", file}));
    }
    System.exit(worst);
  }
}
