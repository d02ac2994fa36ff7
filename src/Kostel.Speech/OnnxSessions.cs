using Microsoft.ML.OnnxRuntime;

namespace Kostel.Speech;

/// <summary>How every network is run: one thread each, several utterances side by side.</summary>
internal static class OnnxSessions
{
    public static SessionOptions Options()
    {
        var options = new SessionOptions
        {
            IntraOpNumThreads = 1,
            InterOpNumThreads = 1,
            ExecutionMode = ExecutionMode.ORT_SEQUENTIAL,
            GraphOptimizationLevel = GraphOptimizationLevel.ORT_ENABLE_ALL,
            // Utterances differ in length: a plan of the memory for each length would only gather.
            EnableMemoryPattern = false,
            LogSeverityLevel = OrtLoggingLevel.ORT_LOGGING_LEVEL_ERROR,
        };

        // Left to itself the runtime turns the 8-bit token table back into floats at every step.
        options.AddSessionConfigEntry("session.disable_quant_qdq", "1");
        options.AddSessionConfigEntry("session.intra_op.allow_spinning", "0");
        return options;
    }
}
